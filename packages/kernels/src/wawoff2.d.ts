declare module 'wawoff2' {
  const wawoff2: {
    compress(bytes: Uint8Array): Promise<Uint8Array>;
    decompress(bytes: Uint8Array): Promise<Uint8Array>;
  };
  export default wawoff2;
}
