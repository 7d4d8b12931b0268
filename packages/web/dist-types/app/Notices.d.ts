/** Whole-page states: loading, an address that leads nowhere, a fault of ours. Never a blank page. */
export declare function Loading(): import('react').JSX.Element;
export declare function Lost(): import('react').JSX.Element;
export declare function Mishap(): import('react').JSX.Element;
//# sourceMappingURL=Notices.d.ts.map
