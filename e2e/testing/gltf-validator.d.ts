declare module 'gltf-validator' {
  interface ValidationReport {
    issues: { numErrors: number; numWarnings: number; messages: unknown[] };
    info: { totalTriangleCount: number };
  }
  export function validateBytes(bytes: Uint8Array): Promise<ValidationReport>;
}
