/** Results go to standard output, remarks beside them to standard error. */
export const say = (line: string): void => void process.stdout.write(`${line}\n`);
export const remarkOn = (line: string): void => void process.stderr.write(`fictile: ${line}\n`);
