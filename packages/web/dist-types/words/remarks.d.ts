import type { Failure, Remark } from '@fictile/core';
/** What the mesh has to tell: what happened, what it means, what to do. */
export declare function remarkText(remark: Remark): string;
export declare function failureText(failure: Failure): string;
//# sourceMappingURL=remarks.d.ts.map
