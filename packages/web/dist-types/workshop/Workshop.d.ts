/** One project: fetched once, then kept in its store. */
export declare function Workshop(): import('react').JSX.Element;
//# sourceMappingURL=Workshop.d.ts.map
