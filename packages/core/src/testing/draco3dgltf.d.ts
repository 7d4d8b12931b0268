declare module 'draco3dgltf' {
  const draco: { createEncoderModule(): Promise<object> };
  export default draco;
}
