import { createHash } from 'node:crypto';
import { copyFileSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { npx, ROOT } from './steps.mjs';

/**
 * Gathers the shipped fonts: `node scripts/fonts.mjs FOLDER` takes them from the packages installed in
 * FOLDER/node_modules, writes them into packages/fonts/files with their licences, and the catalogue beside them. Run by
 * hand when the set changes; docs/fonts.md says how.
 */
const FILES = `${ROOT}/packages/fonts/files`;

/** family, kind, package, styles; no package: the file lies in packages/fonts/files already. */
const FAMILIES = [
  ['Work Sans', 'sans', '', ['400Regular', '700Bold', '900Black']],
  ['Zilla Slab', 'slab', '', ['300Light', '400Regular', '700Bold']],
  ['Bodoni Moda', 'serif', '', ['400Regular', '700Bold']],
  ['Pacifico', 'script', '', ['400Regular']],
  ['Recursive', 'sans', '', ['Variable']],
  ['Archivo Black', 'sans', 'archivo-black', ['400Regular']],
  ['Barlow Condensed', 'sans', 'barlow-condensed', ['500Medium', '700Bold', '700Bold_Italic']],
  ['Bebas Neue', 'sans', 'bebas-neue', ['400Regular']],
  ['Josefin Sans', 'sans', 'josefin-sans', ['300Light', '700Bold']],
  ['Montserrat', 'sans', 'montserrat', ['500Medium', '800ExtraBold']],
  ['Noto Sans', 'sans', 'noto-sans', ['400Regular', '700Bold', '700Bold_Italic']],
  ['Oswald', 'sans', 'oswald', ['400Regular', '700Bold']],
  ['Fredoka', 'rounded', 'fredoka', ['400Regular', '700Bold']],
  ['Lilita One', 'rounded', 'lilita-one', ['400Regular']],
  ['Varela Round', 'rounded', 'varela-round', ['400Regular']],
  ['Alfa Slab One', 'slab', 'alfa-slab-one', ['400Regular']],
  ['Arvo', 'slab', 'arvo', ['400Regular', '700Bold']],
  ['Abril Fatface', 'serif', 'abril-fatface', ['400Regular']],
  ['Cinzel', 'serif', 'cinzel', ['400Regular', '700Bold']],
  ['Cormorant Garamond', 'serif', 'cormorant-garamond', ['400Regular', '700Bold', '700Bold_Italic']],
  ['DM Serif Display', 'serif', 'dm-serif-display', ['400Regular', '400Regular_Italic']],
  ['Playfair Display', 'serif', 'playfair-display', ['400Regular', '800ExtraBold', '800ExtraBold_Italic']],
  ['Caveat', 'script', 'caveat', ['400Regular', '700Bold']],
  ['Dancing Script', 'script', 'dancing-script', ['400Regular', '700Bold']],
  ['Great Vibes', 'script', 'great-vibes', ['400Regular']],
  ['Lobster', 'script', 'lobster', ['400Regular']],
  ['Pirata One', 'blackletter', 'pirata-one', ['400Regular']],
  ['UnifrakturCook', 'blackletter', 'unifrakturcook', ['700Bold']],
  ['Black Ops One', 'stencil', 'black-ops-one', ['400Regular']],
  ['Saira Stencil One', 'stencil', 'saira-stencil-one', ['400Regular']],
  ['Press Start 2P', 'pixel', 'press-start-2p', ['400Regular']],
  ['Silkscreen', 'pixel', 'silkscreen', ['400Regular', '700Bold']],
  ['Monoton', 'inline', 'monoton', ['400Regular']],
  ['Bangers', 'display', 'bangers', ['400Regular']],
  ['Bungee', 'display', 'bungee', ['400Regular']],
  ['Limelight', 'display', 'limelight', ['400Regular']],
  ['Righteous', 'display', 'righteous', ['400Regular']],
  ['Rye', 'display', 'rye', ['400Regular']],
  ['Noto Sans Arabic', 'sans', 'noto-sans-arabic', ['400Regular', '700Bold']],
  ['Aref Ruqaa', 'script', 'aref-ruqaa', ['400Regular', '700Bold']],
  ['Noto Sans Hebrew', 'sans', 'noto-sans-hebrew', ['400Regular', '700Bold']],
  ['Suez One', 'serif', 'suez-one', ['400Regular']],
  ['Noto Sans Devanagari', 'sans', 'noto-sans-devanagari', ['400Regular', '700Bold']],
  ['Poppins', 'sans', 'poppins', ['500Medium', '800ExtraBold']],
  ['Noto Sans JP', 'sans', 'noto-sans-jp', ['700Bold']],
  ['Noto Sans Symbols', 'symbols', 'noto-sans-symbols', ['700Bold']],
  ['Noto Sans Symbols 2', 'symbols', 'noto-sans-symbols-2', ['400Regular']],
  ['Noto Emoji', 'symbols', 'noto-emoji', ['700Bold']],
];
/** Large ones are cut down to these characters. */
const SUBSETS = { 'noto-sans-jp': japanese };

const folder = process.argv[2];
const require = createRequire(`${ROOT}/packages/kernels/package.json`);
const hb = await import(require.resolve('harfbuzzjs'));
npx('tsc', '-b', 'packages/core');
const { describeFont, unwrap } = await import(`${ROOT}/packages/core/dist/index.js`);
const families = [];
for (const [family, kind, pack, styles] of FAMILIES) families.push(await gather(family, kind, pack, styles));
writeFileSync(
  `${ROOT}/packages/fonts/src/shipped.ts`,
  `import type { ShippedFamily } from './catalogue.ts';\n\n/** Made by scripts/fonts.mjs: do not edit. */\n` +
    `export const SHIPPED: readonly ShippedFamily[] = ${JSON.stringify(families)};\n`,
);
const named = new Set(families.flatMap((f) => [f.licence, ...f.styles.map((s) => s.file)]));
for (const file of readdirSync(FILES)) if (!named.has(file)) process.stdout.write(`not in the catalogue: ${file}\n`);

async function gather(family, kind, pack, names) {
  const slug = pack || family.toLowerCase().replaceAll(' ', '-');
  const licence = `${slug}-OFL.txt`;
  const styles = [];
  let first;
  for (const name of names) {
    const file = `${family.replaceAll(' ', '')}_${name}.ttf`;
    if (pack && folder) await bring(pack, name, file, licence);
    const bytes = new Uint8Array(readFileSync(join(FILES, file)));
    first ??= bytes;
    styles.push({
      name: name
        .replace(/^\d+/, '')
        .replace('_', ' ')
        .replace(/([a-z])([A-Z])/g, '$1 $2'),
      weight: Number.parseInt(name, 10) || 400,
      italic: name.endsWith('Italic'),
      hash: createHash('sha256').update(bytes).digest('hex'),
      file,
    });
  }
  const { axes, instances, covers } = unwrap(describeFont({ hb }, { bytes: first, hash: '', fallback: family }));
  return { family, kind, licence, styles, axes, ...(instances.length > 0 ? { instances } : {}), covers };
}

async function bring(pack, name, file, licence) {
  const from = join(folder, 'node_modules/@expo-google-fonts', pack);
  const found = readdirSync(from, { recursive: true }).filter((path) => path.endsWith(`_${name}.ttf`));
  if (found.length !== 1) throw new Error(`${pack} ${name}: ${found.length} files`);
  const text = readFileSync(join(from, 'LICENSE_FONT'), 'utf8');
  if (!/SIL OPEN FONT LICENSE/i.test(text)) throw new Error(`${pack}: another licence`);
  writeFileSync(join(FILES, licence), text.replace(/\r\n/g, '\n'));
  const subset = SUBSETS[pack];
  if (!subset) copyFileSync(join(from, found[0]), join(FILES, file));
  else {
    const { default: cut } = await import(createRequire(`${folder}/package.json`).resolve('subset-font'));
    writeFileSync(join(FILES, file), await cut(readFileSync(join(from, found[0])), subset(), { targetFormat: 'sfnt' }));
  }
}

/** Latin, kana, punctuation, and the 2,965 kanji of the first level of JIS X 0208 (rows 16 to 47). */
function japanese() {
  const decoder = new TextDecoder('euc-jp');
  let text = '';
  for (let row = 1; row <= 47; row++) {
    if (row > 8 && row < 16) continue;
    for (let cell = 1; cell <= 94; cell++) text += decoder.decode(Uint8Array.from([0xa0 + row, 0xa0 + cell]));
  }
  for (let c = 0x20; c < 0x7f; c++) text += String.fromCharCode(c);
  return text.replaceAll('\ufffd', '');
}
