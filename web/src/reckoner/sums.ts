import type { paths } from '../api/schema';

/** A number to fill in; without a start it may be left empty and the usual counts. */
export interface Blank {
  blank: string;
  label: string;
  unit: string;
  start?: number;
  /** What counts while it is empty, where that is no number of its own but follows from the rest. */
  usual?: string;
  /** What one of the shown unit is in the sum's own. */
  scale?: number;
}

export interface Pick {
  pick: string;
  label: string;
  choices: (readonly [string, string])[];
}

/** A few words to fill in. */
export interface Words {
  words: string;
  label: string;
  start: string;
}

/** One of two, never both; which of them may be told in a field of its own. */
export interface Either {
  either: readonly [Blank, Blank];
  tells?: { field: string; as: readonly [string, string] };
}

/** As many as there are; `bare` for plain numbers. */
export interface Many {
  many: string;
  one: string;
  parts: Part[];
  /** How many there are at first, or what they begin with. */
  start: number | Record<string, number | string>[];
  least: number;
  bare?: boolean;
}

export type Part = string | Blank | Words | Pick | Either | Many;

/** A number of the answer, by its place; `[]` for each of a list. */
export interface Out {
  out: string;
  label: string;
  unit: string;
  /** Where the unit follows from a choice: the choice's field, and the unit for each. */
  unitBy?: readonly [string, Record<string, string>];
  formula: string;
  decimals?: number;
  scale?: number;
}

/** Something the answer says that is no number. */
export interface Told {
  told: (answer: Record<string, unknown>) => string | null;
}

export interface Sum {
  path: keyof {
    [K in keyof paths as K extends `/api/reckon/${infer Name}` ? Name : never]: unknown;
  };
  question: string;
  parts: Part[];
  outs: (Out | Told)[];
  /** Whether its way is drawn, by the sum of the same request that gives a line. */
  line?: Sum['path'];
}

const blank = (
  field: string,
  label: string,
  unit: string,
  start?: number,
  more: Partial<Blank> = {},
): Blank => ({
  blank: field,
  label,
  unit,
  start,
  ...more,
});
const percent = (field: string, label: string) => blank(field, label, '%', undefined, { scale: 0.01 });
const area = (start: number) => blank('areaMm2', 'Area', 'cm²', start, { scale: 100 });
const out = (place: string, label: string, unit: string, formula: string, more: Partial<Out> = {}): Out => ({
  out: place,
  label,
  unit,
  formula,
  ...more,
});

const ratio: Part[] = [
  'that takes',
  blank('ratio.resin', 'Resin parts', '', 1),
  'of resin to',
  blank('ratio.hardener', 'Hardener parts', '', 1),
  'of hardener',
  {
    pick: 'ratio.basis',
    label: 'Parts are',
    choices: [
      ['volume', 'by volume'],
      ['weight', 'by weight'],
    ],
  },
  ', of densities',
  blank('resinDensity', 'Density of the resin', 'g/ml', 1.15),
  'and',
  blank('hardenerDensity', 'Density of the hardener', 'g/ml', 0.98),
];
const beads: (readonly [string, string])[] = [
  ['outliner', 'raised outliner'],
  ['liner', 'clear liner'],
  ['silicone', 'silicone'],
  ['hot-glue', 'hot glue'],
  ['putty', 'two-part putty'],
];

const classes: (readonly [string, string])[] = [
  ['paste', 'opaque paste'],
  ['metallic-paste', 'metallic paste'],
  ['mica', 'mica or pearl powder'],
  ['interference', 'interference powder'],
  ['alcohol-ink', 'alcohol ink'],
  ['dye', 'resin ink or dye'],
  ['acrylic', 'acrylic paint or ink'],
  ['acrylic-metallic', 'metallic acrylic'],
  ['glitter', 'glitter, flake or foil'],
  ['lacing', 'lacing additive'],
];
const segments: Part = {
  many: 'segments',
  one: 'stretch',
  start: [
    { hours: 8, celsius: 17 },
    { hours: 16, celsius: 21 },
  ],
  least: 1,
  parts: [blank('hours', 'Hours', 'h', 8), 'at', blank('celsius', 'Temperature', '°C', 20)],
};
const reference = blank('referenceC', 'Reference temperature', '°C', 22);
const room: Part[] = [
  'in a room of',
  blank('roomC', 'Room', '°C', 22),
  ', of a resin that 100 g in a cup keep workable for',
  blank('workingMinutes', 'Working time', 'min', 45),
  'at',
  blank('referenceC', 'Reference temperature', '°C'),
  ', heat of reaction',
  blank('reactionHeatJPerG', 'Heat of reaction', 'J/g'),
];
const grades: Record<string, string> = {
  fine: 'fine: it stays below 60 °C',
  warm: 'warm: above 60 °C, spread it soon',
  danger: 'danger: above 90 °C it may smoke. Never leave it standing; a hot cup goes outside',
};
const heat: (Out | Told)[] = [
  out('workingMinutes', 'Workable for', 'min', 'heat', { decimals: 0 }),
  out('gelMinutes', 'Gels after', 'min', 'heat', { decimals: 0 }),
  out('peakC', 'Peaks at', '°C', 'heat', { decimals: 0 }),
  { told: (a) => grades[a['grade'] as string] ?? null },
  { told: (a) => (a['gelMinutes'] === null ? 'It does not gel within seven days.' : null) },
];
const stone = (field: string, label: string, start: number) => blank(field, label, 'g/ml', start);

/** The sums, in the order a layer is worked in. Each is its formula as a sentence. */
export const sums: Sum[] = [
  {
    path: 'mix',
    question: 'How much of each part?',
    parts: [
      'For',
      { either: [blank('volumeMl', 'Volume', 'ml', 150), blank('massG', 'Mass', 'g', 160)] },
      'of a resin',
      ...ratio,
    ],
    outs: [
      out('resinMl', 'Resin', 'ml', 'part-resin-by-volume', { decimals: 1 }),
      out('resinG', 'Resin', 'g', 'part-mass'),
      out('hardenerMl', 'Hardener', 'ml', 'part-hardener-by-volume', { decimals: 1 }),
      out('hardenerG', 'Hardener', 'g', 'part-mass'),
      out('totalMl', 'In all', 'ml', 'part-hardener-by-volume', { decimals: 1 }),
      out('totalG', 'In all', 'g', 'part-mass'),
      out('hardenerGPer100GResin', 'Hardener to 100 g of resin', 'g', 'part-mass', { decimals: 2 }),
    ],
  },
  {
    path: 'mix-correction',
    question: 'Is this batch on ratio?',
    parts: [
      'In the cup are',
      blank('resinG', 'Resin', 'g', 90.1),
      'of resin and',
      blank('hardenerG', 'Hardener', 'g', 82),
      'of hardener, of a resin',
      ...ratio,
      ', tolerance',
      percent('tolerance', 'Tolerance'),
    ],
    outs: [
      {
        told: (a) =>
          a['onRatio']
            ? 'On ratio: add nothing.'
            : 'Off ratio: it may never cure through. Add what is missing.',
      },
      out('addResinG', 'Add resin', 'g', 'mix-correction'),
      out('addHardenerG', 'Add hardener', 'g', 'mix-correction'),
      out('targetHardenerG', 'Hardener for this resin', 'g', 'mix-correction', { decimals: 2 }),
      out('acceptFromG', 'Accepted from', 'g', 'mix-correction', { decimals: 2 }),
      out('acceptToG', 'Accepted to', 'g', 'mix-correction', { decimals: 2 }),
      out('totalMlAfter', 'In the cup then', 'ml', 'mix-correction', { decimals: 0 }),
    ],
  },
  {
    path: 'load',
    question: 'Is this too much colour?',
    parts: [
      'In',
      blank('resinG', 'Mixed resin', 'g', 32),
      'of mixed resin:',
      {
        many: 'colourants',
        one: 'colourant',
        start: 1,
        least: 1,
        parts: [
          { either: [blank('drops', 'Drops', 'drops', 3), blank('grams', 'Mass', 'g', 1)] },
          'of',
          { pick: 'class', label: 'Colourant', choices: classes },
          'of density',
          blank('densityGPerMl', 'Density', 'g/ml', undefined, { usual: 'usual' }),
        ],
      },
    ],
    outs: [
      out('totalPercent', 'Load in all', '%', 'load', { decimals: 2 }),
      {
        told: (a) =>
          a['over'] ? 'Too much in all: weak, sticky, streaked.' : 'In all within what the resin takes.',
      },
      out('loads[].percent', 'Load', '%', 'load', { decimals: 2 }),
      out('loads[].limitPercent', 'Limit', '%', 'load', { decimals: 2 }),
    ],
  },
  {
    path: 'region',
    question: 'How much for this region?',
    parts: [
      'A region of',
      area(100),
      'poured',
      blank('depthMm', 'Depth', 'mm', 3),
      'deep, with',
      {
        many: 'stones',
        one: 'kind of stone',
        start: 0,
        least: 0,
        parts: [
          blank('grams', 'Stones', 'g', 50),
          'of stones of',
          stone('solidDensity', 'Solid density', 2.5),
        ],
      },
      'below the level,',
      blank('openEdgeMm', 'Open edge', 'mm'),
      'of open edge',
      blank('sideHeightMm', 'Side height', 'mm'),
      'high, a film of',
      blank('filmMm', 'Film', 'mm'),
      'on it and',
      percent('dripShare', 'Drips'),
      'dripping; reserve',
      percent('reserve', 'Reserve'),
      ', moved to another cup',
      blank('transfers', 'Transfers', 'times'),
    ],
    outs: [
      out('cupMl', 'Mix', 'ml', 'cup-unrounded', { decimals: 1 }),
      out('layerMl', 'Region', 'ml', 'region-volume', { decimals: 1 }),
      out('displacedMl', 'Displaced by stones', 'ml', 'displacement', { decimals: 1 }),
      out('edgeMl', 'Over the edge', 'ml', 'edge-volume', { decimals: 1 }),
    ],
  },
  {
    path: 'age',
    question: 'How far has it cured?',
    parts: ['After', segments, ', a resin whose times are given at', reference, 'is as old as'],
    outs: [out('equivalentHours', 'Equivalent age', 'h', 'age')],
  },
  {
    path: 'milestone',
    question: 'When will it be that far?',
    parts: [
      'What takes',
      blank('ageHours', 'Age', 'h', 24),
      'at',
      reference,
      'takes, in a room that is',
      segments,
      'and stays as it is last,',
    ],
    outs: [out('clockHours', 'By the clock', 'h', 'milestone')],
  },
  {
    path: 'cup',
    question: 'How hot does a cup get?',
    parts: ['A cup of', blank('massG', 'Mass', 'g', 100), 'left standing', ...room],
    outs: heat,
  },
  {
    path: 'film',
    question: 'How long does a film stay open?',
    parts: ['A film', blank('depthMm', 'Depth', 'mm', 3), 'deep', ...room],
    outs: heat,
  },
  {
    path: 'journey',
    question: 'What becomes of this resin?',
    parts: [
      'Resin of',
      blank('viscosityPaS', 'Viscosity when mixed', 'Pa·s', 1.6),
      'that 100 g in a cup keep workable for',
      blank('workingMinutes', 'Working time of 100 g', 'min', 45),
      ', in a room of',
      blank('roomC', 'Room', '°C', 22),
      ', stands',
      {
        many: 'legs',
        one: 'vessel',
        start: [
          { massG: 300, minutes: 8 },
          { massG: 100, minutes: 12 },
          { 'massG|depthMm': 'depthMm', depthMm: 3 },
        ],
        least: 1,
        parts: [
          {
            either: [blank('massG', 'In a cup', 'g', 100), blank('depthMm', 'As a film', 'mm', 3)],
            tells: { field: 'kind', as: ['cup', 'film'] },
          },
          'for',
          blank('minutes', 'Minutes', 'min', undefined, { usual: '∞' }),
        ],
      },
      '.',
    ],
    outs: [
      out('flowing', 'Veins blend softly from', 'min', 'journey', { decimals: 0 }),
      out('holding', 'Lines keep their edge from', 'min', 'journey', { decimals: 0 }),
      out('setting', 'Stones stay from', 'min', 'journey', { decimals: 0 }),
      out('gel', 'Gels after', 'min', 'journey', { decimals: 0 }),
      out('working', 'Workable until', 'min', 'journey', { decimals: 0 }),
      out('legs[].peakC', 'Warmest in vessel', '°C', 'journey', { decimals: 0 }),
      { told: (a) => (a['gel'] === null ? 'It has not gelled when this ends.' : null) },
    ],
    line: 'journey-line',
  },
  {
    path: 'joining',
    question: 'May fresh resin join this batch?',
    parts: [
      'Resin of',
      blank('viscosityPaS', 'Viscosity when mixed', 'Pa·s', 1.6),
      'that 100 g in a cup keep workable for',
      blank('workingMinutes', 'Working time of 100 g', 'min', 45),
      ', in a room of',
      blank('roomC', 'Room', '°C', 22),
      ': a cup of',
      blank('massG', 'In the cup', 'g', 300),
      ', mixed',
      blank('minutes', 'Minutes', 'min', 20),
      'ago, is joined by',
      blank('freshG', 'Fresh resin', 'g', 100),
      'of fresh resin.',
    ],
    outs: [
      {
        told: (a) =>
          a['mayJoin']
            ? 'It may: the batch still flows.'
            : 'Leave it: the batch no longer flows and would not mix in.',
      },
      out('inHandMinutes', 'Works for', 'min more', 'journey', { decimals: 0 }),
      out('workingMinutes', 'Workable until', 'min', 'journey', { decimals: 1 }),
      out('celsius', 'Then at', '°C', 'journey', { decimals: 1 }),
    ],
  },
  {
    path: 'puddle',
    question: 'How far does a puddle spread?',
    parts: [
      'Poured in one place',
      {
        many: 'volumesMl',
        one: 'colour',
        start: [{ '': 60 }, { '': 40 }, { '': 80 }],
        least: 1,
        bare: true,
        parts: [blank('', 'Colour', 'ml', 60)],
      },
      'spread to',
      blank('depthMm', 'Depth', 'mm', 3),
      'deep; in pour order they reach a radius of',
    ],
    outs: [out('outerRadiiMm[]', 'Radius', 'mm', 'puddle', { decimals: 1 })],
  },
  {
    path: 'bubble',
    question: 'Do bubbles still get out?',
    parts: [
      'A bubble of radius',
      blank('radiusMm', 'Radius', 'mm', 0.1),
      'in resin of',
      blank('viscosityPaS', 'Viscosity', 'Pa·s', 1.6),
      'and',
      blank('densityGPerMl', 'Density', 'g/ml', 1.065),
      'rises through',
      blank('depthMm', 'Depth', 'mm', 3),
      'in',
    ],
    outs: [
      out('secondsToSurface', 'To the surface', 's', 'bubble', { decimals: 0 }),
      out('riseMmPerS', 'Rises', 'mm/s', 'bubble', { decimals: 4 }),
    ],
  },
  {
    path: 'bead',
    question: 'How far does a tube go?',
    parts: [
      'A bead of',
      { pick: 'class', label: 'Material', choices: beads },
      blank('heightMm', 'Height', 'mm', 1.5),
      'high and',
      blank('widthMm', 'Width', 'mm', undefined, { usual: 'as it lies' }),
      'wide, from',
      { either: [blank('volumeMl', 'Volume', 'ml', 20), blank('lengthMm', 'Length', 'mm', 1000)] },
      '; a bead of',
      blank('referenceHeightMm', 'Reference height', 'mm'),
      'dries in',
      blank('referenceDryHours', 'Reference drying time', 'h'),
    ],
    outs: [
      out('lengthMm', 'Length', 'mm', 'bead', { decimals: 0 }),
      out('volumeMl', 'Volume', 'ml', 'bead', { decimals: 1 }),
      out('sectionMm2', 'Section', 'mm²', 'bead', { decimals: 2 }),
      out('dryHours', 'Dries in', 'h', 'bead-dry', { decimals: 1 }),
    ],
  },
  {
    path: 'tape',
    question: 'Which tape, and how much?',
    parts: [
      'Round an edge of',
      blank('perimeterMm', 'Perimeter', 'mm', 2000),
      'with',
      blank('corners', 'Corners', 'corners', 4),
      ', sides',
      blank('sideMm', 'Side height', 'mm', 38),
      'high, for open layers of',
      blank('openDepthMm', 'Open depth', 'mm', 5),
      'in all, from tapes of',
      {
        many: 'stockWidthsMm',
        one: 'tape',
        start: [{ '': 25 }, { '': 38 }, { '': 50 }],
        least: 0,
        bare: true,
        parts: [blank('', 'Stock width', 'mm', 50)],
      },
    ],
    outs: [
      out('maskWidthMm', 'Mask run, width', 'mm', 'tape', { decimals: 0 }),
      out('damWidthMm', 'Dam run, width', 'mm', 'tape', { decimals: 0 }),
      out('damHeightMm', 'Dam above the edge', 'mm', 'tape', { decimals: 0 }),
      out('lengthEachMm', 'Length of each run', 'mm', 'tape', { decimals: 0 }),
      { told: (a) => a['reason'] as string | null },
    ],
  },
  {
    path: 'level',
    question: 'Is it level enough?',
    parts: [
      'Tilted by',
      blank('tiltXDeg', 'Tilt along x', '°', 0.1),
      'to the right and',
      blank('tiltYDeg', 'Tilt along y', '°', 0),
      'to the front (the higher side counts as positive), on supports at',
      {
        many: 'supports',
        one: 'support',
        start: [
          { xMm: 20, yMm: 20 },
          { xMm: 580, yMm: 20 },
          { xMm: 20, yMm: 380 },
          { xMm: 580, yMm: 380 },
        ],
        least: 1,
        parts: [blank('xMm', 'From the left', 'mm', 0), 'and', blank('yMm', 'From the top', 'mm', 0)],
      },
      ', thinnest layer',
      blank('thinnestLayerMm', 'Thinnest layer', 'mm', 3),
    ],
    outs: [
      out('wedgeMm', 'Difference in depth', 'mm', 'wedge', { decimals: 2 }),
      {
        told: (a) =>
          a['accept']
            ? 'Level enough: a tenth of the thinnest layer at most.'
            : 'Not level enough: it would drift. Put shims under.',
      },
      out('shimsMm[]', 'Shim under support', 'mm', 'wedge', { decimals: 2 }),
    ],
  },
  {
    path: 'stones',
    question: 'How many stones, and what fills them?',
    parts: [
      'A bed of',
      area(80),
      blank('depthMm', 'Depth', 'mm', 6),
      'deep, of stones that weigh',
      stone('bulkDensity', 'Bulk density', 1.4),
      'heaped and',
      stone('solidDensity', 'Solid density', 2.5),
      'solid,',
      blank('solidsShare', 'Solids share', '%', 56, { scale: 0.01 }),
      'of the heap, covering',
      percent('coverShare', 'Cover'),
    ],
    outs: [
      out('grams', 'Stones', 'g', 'stone-bed', { decimals: 0 }),
      out('voidMl', 'Resin to fill the voids', 'ml', 'stone-bed', { decimals: 1 }),
      out('bulkMl', 'Heaped', 'ml', 'stone-bed', { decimals: 1 }),
      out('solidMl', 'Displaced', 'ml', 'stone-bed', { decimals: 1 }),
    ],
  },
  {
    path: 'casting',
    question: 'How much for a set of castings?',
    parts: [
      '',
      blank('pieces', 'Pieces', 'pieces', 12),
      'from a mould that holds',
      blank('capacityMl', 'Capacity', 'ml', 180),
      'with',
      {
        many: 'inserts',
        one: 'insert',
        start: 0,
        least: 0,
        parts: [blank('count', 'Number', '×', 1), 'of', blank('volumeMl', 'Volume', 'ml', 10)],
      },
      'in each, shared',
      {
        many: 'shares',
        one: 'colour',
        start: 2,
        least: 0,
        bare: true,
        parts: [blank('', 'Share', 'parts', 1)],
      },
      ', losing',
      percent('lossShare', 'Loss'),
    ],
    outs: [
      out('totalMl', 'In all', 'ml', 'casting', { decimals: 0 }),
      out('bodyMl', 'Each', 'ml', 'casting', { decimals: 1 }),
      out('shareMl[]', 'Colour', 'ml', 'casting', { decimals: 0 }),
    ],
  },
  {
    path: 'reach',
    question: 'How far does what I mixed go?',
    parts: [
      'I have mixed',
      blank('mixedMl', 'Mixed', 'ml', 225),
      'and want to fill',
      blank('pieces', 'Pieces', 'pieces', 2),
      'that take',
      blank('eachMl', 'Each', 'ml', 150),
      'each.',
    ],
    outs: [
      out('filled', 'Pieces filled', '', 'reach', { decimals: 0 }),
      out('leftMl', 'Left over', 'ml', 'reach', { decimals: 0 }),
      out('lackMl', 'Missing for the rest', 'ml', 'reach', { decimals: 0 }),
    ],
  },
  {
    path: 'match',
    question: 'Does a second batch match the first?',
    parts: [
      {
        pick: 'class',
        label: 'Colourant',
        choices: [
          ['mica', 'mica or pearl powder'],
          ['paste', 'opaque paste'],
          ['metallic-paste', 'metallic paste'],
          ['interference', 'interference powder'],
          ['alcohol-ink', 'alcohol ink'],
          ['dye', 'resin ink or dye'],
          ['acrylic', 'acrylic paint or ink'],
          ['acrylic-metallic', 'metallic acrylic'],
          ['glitter', 'glitter, flake or foil'],
        ],
      },
      'of the colour',
      { words: 'colour', label: 'Colour', start: '#30503a' },
      ',',
      blank('depthMm', 'Depth', 'mm', 3),
      'deep over',
      { words: 'ground', label: 'Ground', start: '#d9c29a' },
      ': first',
      blank('first.grams', 'Colourant of the first', 'g', 0.6),
      'in',
      blank('first.resinG', 'Resin of the first', 'g', 30),
      ', then',
      blank('second.grams', 'Colourant of the second', 'g', 1.3),
      'in',
      blank('second.resinG', 'Resin of the second', 'g', 60),
    ],
    outs: [
      out('deltaE00', 'They differ by', 'ΔE00', 'match', { decimals: 1 }),
      out('firstPercent', 'The first has', '%', 'match', { decimals: 2 }),
      out('secondPercent', 'The second has', '%', 'match', { decimals: 2 }),
      { told: (a) => (a['sameToTheEye'] ? 'The same to the eye.' : 'Side by side they can be told apart.') },
    ],
  },
  {
    path: 'paste',
    question: 'How much for a line of paste?',
    parts: [
      'A line of paste',
      blank('lengthMm', 'Length', 'mm', 500),
      'long,',
      blank('widthMm', 'Width', 'mm', 6),
      'wide and',
      blank('heightMm', 'Height', 'mm', 4),
      'high, of stones of',
      blank('bulkDensity', 'Density of the heap', 'g/ml', 1.4),
      'in the heap, of which',
      { ...percent('solidsShare', 'Solids share'), start: 56 },
      'is stone, takes',
    ],
    outs: [
      out('stonesG', 'Stones', 'g', 'paste', { decimals: 1 }),
      out('binderMl', 'Resin', 'ml', 'paste', { decimals: 1 }),
      out('pasteMl', 'Paste in all', 'ml', 'paste', { decimals: 1 }),
    ],
  },
  {
    path: 'rubber',
    question: 'How much rubber for a mould?',
    parts: [
      'A box of',
      blank('boxMl', 'Box', 'ml', 400),
      'round a master of',
      blank('masterMl', 'Master', 'ml', 150),
      ', losing',
      percent('lossShare', 'Loss'),
      ', takes',
    ],
    outs: [
      out('firstG', 'Part A', 'g', 'rubber', { decimals: 1 }),
      out('secondG', 'Part B', 'g', 'rubber', { decimals: 1 }),
      out('totalMl', 'Rubber in all', 'ml', 'rubber', { decimals: 0 }),
      {
        told: (a) =>
          `Typically it can be worked for ${String(a['workingMinutes'])} min and sets in ${String(a['setsMinutes'])} min. ` +
          'No undercuts, or the master does not come out.',
      },
    ],
  },
  {
    path: 'colour-difference',
    question: 'Do two colours read as one?',
    parts: [
      'Colours at L a b',
      blank('first.l', 'First L', '', 45),
      blank('first.a', 'First a', '', -12),
      blank('first.b', 'First b', '', 14),
      'and',
      blank('second.l', 'Second L', '', 52),
      blank('second.a', 'Second a', '', -10),
      blank('second.b', 'Second b', '', 18),
      'differ by ΔE00',
    ],
    outs: [
      out('deltaE00', 'Difference', '', 'colour-difference', { decimals: 1 }),
      { told: () => 'Wet neighbours under 12 read as one.' },
    ],
  },
  {
    path: 'quantity',
    question: 'What is that in other units?',
    parts: [
      { words: 'text', label: 'Quantity', start: '1 3/4 in' },
      'as a',
      {
        pick: 'kind',
        label: 'Kind',
        choices: [
          ['length', 'length'],
          ['volume', 'volume'],
          ['mass', 'mass'],
          ['temperature', 'temperature'],
        ],
      },
      'is',
    ],
    outs: [
      out('value', 'That is', '', 'quantity', {
        decimals: 2,
        unitBy: ['kind', { length: 'mm', volume: 'ml', mass: 'g', temperature: '°C' }],
      }),
      { told: (a) => `In metric: ${String(a['normalised'])}.` },
    ],
  },
];
