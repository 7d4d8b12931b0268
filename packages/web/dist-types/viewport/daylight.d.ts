import { Scene } from 'three';
/** A small room made of glowing walls, of which the light around the pieces is computed: bright window left, warm floor, soft ceiling. */
export declare function daylight(): Scene;
//# sourceMappingURL=daylight.d.ts.map
