/** All texts of the interface in one place. */
export declare const texts: {
  readonly product: 'Fictile';
  readonly loading: 'Loading';
  readonly toRack: 'To the rack';
  readonly lost: {
    readonly title: 'There is nothing at this address.';
  };
  readonly mishap: {
    readonly title: 'Something of ours broke.';
    readonly text: 'Your words are safe: every change is kept as you make it. Load the page again to go on.';
    readonly again: 'Load again';
  };
  readonly rack: {
    readonly prompt: 'Type words, press Enter';
    readonly make: 'Make';
    readonly heading: 'On the rack';
    readonly none: 'Nothing here yet. Type words above to make the first project.';
    readonly failed: 'The rack can’t be reached. Is the server running?';
    readonly retry: 'Try again';
    readonly makeFailed: 'The project could not be made. Is the server running? Your words are still in the field.';
    readonly pieces: (n: number) => string;
    readonly revision: (n: number) => string;
  };
  readonly workshop: {
    readonly words: 'Words';
    readonly font: 'Font';
    readonly size: 'Capitals';
    readonly align: 'Lines';
    readonly tracking: 'Tracking';
    readonly depth: 'Raise';
    readonly edge: 'Front edge';
    readonly edgeIn: 'In';
    readonly edgeDeep: 'Deep';
    readonly edgeSteps: 'Steps';
    readonly backAsFront: 'Back edge the same';
    readonly undo: 'Undo';
    readonly redo: 'Redo';
    readonly fit: 'Fit';
    readonly edges: 'Polygon edges';
    readonly download: 'Save as';
    readonly name: 'Name of the project';
    readonly check: 'Check the mesh';
    readonly view: 'View of the solid';
    readonly noView: 'This browser can’t draw in 3D (WebGL 2 is missing). Words, values and files still work.';
    readonly working: 'Building';
    readonly missing: 'There is no such project.';
    readonly failed: 'The project can’t be reached. Is the server running?';
  };
  readonly kinds: {
    readonly plain: 'plain';
    readonly chamfer: 'chamfered';
    readonly round: 'rounded';
  };
  readonly aligns: {
    readonly left: 'left';
    readonly center: 'centred';
    readonly right: 'right';
  };
  readonly saving: {
    readonly saved: 'saved';
    readonly saving: 'saving …';
    readonly unsaved: 'not saved yet';
    readonly offline: 'no connection: kept in this browser, sent when it is back';
    readonly refused: 'not saved: the server refused this document';
    readonly conflict: 'Someone saved a newer version of this project.';
    readonly takeTheirs: 'Show the newer';
    readonly keepMine: 'Keep mine as a new project';
    readonly copyOf: (name: string) => string;
  };
  readonly figures: (faces: number, quads: number, ms: number) => string;
  readonly checks: {
    readonly closed: 'Closed';
    readonly manifold: 'Manifold';
    readonly outward: 'Outward';
    readonly crossing: 'Crossing faces';
    readonly quads: 'Quads, by area';
    readonly slivers: 'Slivers';
    readonly size: 'Size';
    readonly yes: 'yes';
    readonly no: 'no';
    readonly none: 'none';
    readonly failed: 'The mesh could not be checked.';
  };
};
//# sourceMappingURL=texts.d.ts.map
