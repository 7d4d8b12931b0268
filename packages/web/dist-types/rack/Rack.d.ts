/** All projects, and the field that makes a new one. */
export declare function Rack(): import('react').JSX.Element;
//# sourceMappingURL=Rack.d.ts.map
