/** Hands a file to the person through the browser's own saving. */
export declare function saveFile(bytes: Uint8Array, name: string): void;
//# sourceMappingURL=saveFile.d.ts.map
