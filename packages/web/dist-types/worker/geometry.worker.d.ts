/** What the page posts first: shared memory holding the newest serial. */
export interface StartMessage {
  kind: 'start';
  newest: SharedArrayBuffer;
}
//# sourceMappingURL=geometry.worker.d.ts.map
