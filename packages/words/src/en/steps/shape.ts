import { stepWords } from '../../stepWords.ts';
import { ABOUT, ACROSS, ALONG, AXES, DISPLACING, EASE, FORWARD, RIGID, UP } from './shared.ts';

/** Steps that move points, or copy them. */
export const SHAPE_WORDS = {
  bend: stepWords('bend', {
    name: 'Bend',
    sentence:
      'Bend by {angleDegrees} {axis}, {whole}{fromMm}{toMm}, tilted {towardDegrees}. {keeps} keeps its length, ' +
      '{middle}{centreMm} stays.',
    parts: { ...ALONG.parts, ...ABOUT.parts },
    labels: {
      ...ALONG.labels,
      ...ABOUT.labels,
      angleDegrees: 'Angle',
      towardDegrees: 'Towards',
      keeps: 'What keeps its length',
    },
    choices: {
      ...ALONG.choices,
      ...ABOUT.choices,
      axis: { y: 'to the back', x: 'top over, to the back', z: 'downward' },
      keeps: { front: 'The front', middle: 'The middle layer', back: 'The back', centre: 'The layer of the centre' },
    },
    help: {
      ...ALONG.help,
      ...ABOUT.help,
      main: 'degrees of a bend',
      axis: 'about which axis',
      towardDegrees: 'degrees that its plane is turned',
      keeps: 'the layer that keeps its length',
    },
  }),
  twist: stepWords('twist', {
    name: 'Twist',
    sentence: 'Twist by {angleDegrees} along {axis}, {whole}{fromMm}{toMm}, {ease}, about {middle}{centreMm}.',
    parts: { ...ALONG.parts, ...ABOUT.parts },
    labels: { ...ALONG.labels, ...ABOUT.labels, ...EASE.labels, angleDegrees: 'Angle' },
    choices: { ...ALONG.choices, ...ABOUT.choices, ...EASE.choices },
    help: { ...ALONG.help, ...ABOUT.help, ...EASE.help, main: 'degrees that the end is turned about the line' },
  }),
  taper: stepWords('taper', {
    name: 'Taper',
    sentence: 'Taper by {percent} along {axis}, {whole}{fromMm}{toMm}, {ease}, about {middle}{centreMm}.',
    parts: { ...ALONG.parts, ...ABOUT.parts },
    labels: { ...ALONG.labels, ...ABOUT.labels, ...EASE.labels, percent: 'By' },
    choices: { ...ALONG.choices, ...ABOUT.choices, ...EASE.choices },
    help: { ...ALONG.help, ...ABOUT.help, ...EASE.help, main: 'percent that the end is narrower' },
  }),
  shear: stepWords('shear', {
    name: 'Shear',
    sentence: 'Shear by {byMm0} and {byMm1} along {axis}, {whole}{fromMm}{toMm}, {ease}.',
    parts: ALONG.parts,
    labels: { ...ALONG.labels, ...EASE.labels, byMm0: 'First way', byMm1: 'Second way' },
    choices: { ...ALONG.choices, ...EASE.choices },
    help: { ...ALONG.help, ...EASE.help, main: 'shift of the end along the next two axes: 5mm,3mm' },
  }),
  stretch: stepWords('stretch', {
    name: 'Stretch',
    sentence: 'Stretch by {percent} along {axis}, {whole}{fromMm}{toMm}, {ease}.',
    parts: ALONG.parts,
    labels: { ...ALONG.labels, ...EASE.labels, percent: 'By' },
    choices: { ...ALONG.choices, ...EASE.choices },
    help: { ...ALONG.help, ...EASE.help, main: 'percent that it gets longer' },
  }),
  pinch: stepWords('pinch', {
    name: 'Pinch',
    sentence: 'Pinch by {percent} along {axis}, {whole}{fromMm}{toMm}, about {middle}{centreMm}.',
    parts: { ...ALONG.parts, ...ABOUT.parts },
    labels: { ...ALONG.labels, ...ABOUT.labels, percent: 'By' },
    choices: { ...ALONG.choices, ...ABOUT.choices },
    help: { ...ALONG.help, ...ABOUT.help, main: 'percent that the middle is thinner' },
  }),
  bulge: stepWords('bulge', {
    name: 'Bulge',
    sentence: 'Bulge by {heightMm} like {shape}{axis}; {solid}.',
    parts: { axis: ' along {axis}' },
    labels: { heightMm: 'Height', shape: 'Form', axis: 'Which way', solid: 'The back' },
    choices: {
      shape: { ball: 'a ball', barrel: 'a barrel' },
      axis: AXES,
      solid: { on: 'the back follows', off: 'the back stays' },
    },
    help: {
      main: 'how high the front swells out towards its middle',
      shape: 'both ways, or along an axis',
      axis: 'the axis of a barrel',
      solid: 'whether the back follows',
    },
  }),
  wave: stepWords('wave', {
    name: 'Waves',
    sentence:
      'Waves {heightMm} high, {lengthMm} long, running at {towardDegrees}, starting at {phaseDegrees}, ' +
      'moving {moves}{where}.',
    labels: { ...DISPLACING.labels, lengthMm: 'Length', towardDegrees: 'Towards', phaseDegrees: 'Begins at' },
    choices: DISPLACING.choices,
    help: {
      ...DISPLACING.help,
      main: 'height of waves along the words',
      lengthMm: 'their length',
      towardDegrees: 'degrees of the way they run',
      phaseDegrees: 'degrees that they begin at',
    },
  }),
  noise: stepWords('noise', {
    name: 'Noise',
    sentence:
      '{character} noise, {heightMm} high, {sizeMm} wide, {detail}, moving {moves} {outwardOnly}. Seed ' +
      '{seed}, drifting {drift}{where}.',
    labels: {
      ...DISPLACING.labels,
      character: 'Kind of noise',
      sizeMm: 'Size',
      detail: 'Detail',
      seed: 'Seed',
      drift: 'Drift',
      outwardOnly: 'In or out',
    },
    choices: {
      ...DISPLACING.choices,
      character: { soft: 'Soft', creased: 'Creased', lumpy: 'Lumpy', pebbled: 'Pebbled' },
      outwardOnly: { on: 'only', off: 'and back' },
    },
    units: { detail: (n) => (n === 1 ? 'layer of detail' : 'layers of detail'), drift: 'mm/s' },
    help: {
      ...DISPLACING.help,
      main: 'height of noise',
      character: 'what kind it is',
      sizeMm: 'how wide it is',
      detail: 'how many layers of ever finer ones',
      seed: 'which one',
      outwardOnly: 'outward only',
    },
  }),
  relief: stepWords('relief', {
    name: 'Picture as height',
    sentence:
      'A picture as height: {heights}, {heightMm} high, {widthMm} wide, {atMm0} across, {atMm1} up, {repeats}, ' +
      'moving {moves}{where}.',
    labels: {
      ...DISPLACING.labels,
      heights: 'Picture',
      widthMm: 'Width',
      atMm0: ACROSS,
      atMm1: UP,
      repeats: 'Beside it',
    },
    choices: { ...DISPLACING.choices, repeats: { on: 'side by side', off: 'once' } },
  }),
  run: stepWords('run', {
    name: 'Along a path',
    sentence:
      'Along {path}, with {axis} on it, {fit}, from {fromPercent} to {toPercent}, moved on by {shiftMm}. Beyond ' +
      'its end {ends}. Letters {up}, rolled by {rollDegrees}. Size {size}, roll {roll}.',
    labels: {
      path: 'Path',
      axis: 'Which way',
      fit: 'Length along the path',
      fromPercent: 'From',
      toPercent: 'To',
      shiftMm: 'Moved on',
      ends: 'Beyond the end',
      up: 'Up',
      rollDegrees: 'Roll',
      size: 'Size',
      roll: 'Roll',
    },
    choices: {
      axis: { x: 'the line', y: 'the height' },
      fit: { own: 'at its own length', stretch: 'stretched over it' },
      ends: { stop: 'letters are left out', straight: 'they run on straight', round: 'they go round' },
      up: { rolling: 'turn with it', upright: 'stay upright' },
    },
    help: {
      main: 'an SVG file whose first path the words run along',
      axis: 'which axis of the layout runs along it',
      fit: 'their own length, or stretched to the path',
      fromPercent: 'percent of the path at which the used stretch begins',
      toPercent: 'and ends',
      shiftMm: 'how far they are moved on',
      ends: 'what becomes of letters beyond its end',
      up: 'whether letters stand upright on it',
      rollDegrees: 'degrees that letters are turned about the path',
    },
  }),
  repeat: stepWords('repeat', {
    name: 'Repeat',
    sentence: 'Repeat {count} along {axis}, {gapMm} apart.',
    labels: { count: 'Copies', axis: 'Which way', gapMm: 'Gap' },
    choices: { axis: AXES },
    units: { count: (n) => (n === 1 ? 'time' : 'times') },
    help: { main: 'copies along the line', axis: 'along which axis', gapMm: 'room between them' },
  }),
  scatter: stepWords('scatter', {
    name: 'Place letters',
    sentence:
      'Move each letter by {by}{course}{seed}: {moveMm0} across, {moveMm1} up, {moveMm2} forward, turned ' +
      '{turnDegrees0}, {turnDegrees1}, {turnDegrees2}, size {scalePercent}; {rigid}.',
    parts: { course: ' ({course})', seed: ', seed {seed}' },
    labels: {
      by: 'Moved by',
      course: 'Strength',
      seed: 'Seed',
      moveMm0: ACROSS,
      moveMm1: UP,
      moveMm2: FORWARD,
      turnDegrees0: ACROSS,
      turnDegrees1: UP,
      turnDegrees2: FORWARD,
      scalePercent: 'Size of letters',
      rigid: 'Letters',
    },
    choices: { by: { chance: 'chance', course: 'a course along the line' }, rigid: RIGID },
    help: {
      main: 'places letters each by itself: by chance, or by a course along the line',
      seed: 'which chance',
      moveMm: 'how far at most, X,Y,Z',
      turnDegrees: 'degrees about the three axes, at most',
      scalePercent: 'percent of their size, at most',
      rigid: 'whether letters keep their form',
    },
  }),
};
