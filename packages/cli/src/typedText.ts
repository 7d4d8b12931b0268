/** Words as a flag gives them, where \n stands for a line break. */
export const typedText = (text: string): string => text.replaceAll('\\n', '\n');
