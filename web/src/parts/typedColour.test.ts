import { describe, expect, it } from 'vitest';
import { typedColour } from './typedColour';

describe('a typed colour', () => {
  it.each([
    ['#D98A1E', '#d98a1e'],
    [' d98a1e ', '#d98a1e'],
    ['#d82', '#dd8822'],
    ['217, 138, 30', '#d98a1e'],
    ['217 138 30', '#d98a1e'],
    ['rgb(0, 0, 255)', '#0000ff'],
  ])('%s is %s', (typed, colour) => expect(typedColour(typed)).toBe(colour));

  it.each(['', 'amber', '#d98a1', '#d98a1g', '217, 138', '256, 0, 0', '-1, 0, 0', '1 2 3 4'])(
    '%s is none',
    (typed) => expect(typedColour(typed)).toBeNull(),
  );
});
