import { attack } from './attacks.ts';

const told = await attack(process.argv[2]);
process.send?.(told, () => process.exit());
