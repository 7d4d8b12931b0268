/** Whether this browser draws with WebGL 2, which the view needs. */
export declare function canDraw(): boolean;
//# sourceMappingURL=canDraw.d.ts.map
