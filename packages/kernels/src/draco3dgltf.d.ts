declare module 'draco3dgltf/draco_decoder_gltf_nodejs.js' {
  const load: (options: { wasmBinary?: ArrayBuffer }) => Promise<object>;
  export default load;
}
