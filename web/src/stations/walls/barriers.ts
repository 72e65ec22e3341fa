/** What walls and dams are laid of, and raised lines. */
export const barriers = [
  ['outliner', 'raised outliner'],
  ['liner', 'clear liner'],
  ['putty', 'two-part putty'],
  ['silicone', 'silicone'],
  ['hot-glue', 'hot glue'],
] as const;

export const unsaidBarriers = [['', 'not said yet'], ...barriers] as const;

/** The runs in which an edge is taped. */
export const tapeRuns = [
  ['one', 'one run'],
  ['two', 'two runs'],
  ['back', 'the back alone'],
  ['none', 'no tape'],
] as const;

/** How stiff a paste is mixed. */
export const stiffness = [
  ['crumbly', 'crumbly'],
  ['holds', 'holds its shape'],
  ['creeps', 'creeps'],
  ['pours', 'pours'],
] as const;
