declare module 'gltf-validator' {
  interface ValidationReport {
    issues: { numErrors: number; numWarnings: number; messages: unknown[] };
    info: { totalTriangleCount: number; drawCallCount: number; materialCount: number };
  }
  export function validateBytes(bytes: Uint8Array): Promise<ValidationReport>;
}
