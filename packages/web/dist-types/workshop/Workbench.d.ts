import type { ProjectStore } from '../store/index.ts';
/** The plain workshop: values left, view right, saving and files above. */
export declare function Workbench({ store }: { store: ProjectStore }): import('react').JSX.Element;
//# sourceMappingURL=Workbench.d.ts.map
