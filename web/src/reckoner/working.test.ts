import { describe, expect, it } from 'vitest';
import type { Part, Sum } from './sums';
import { sums } from './sums';
import { requestOf, resultsOf, startOf, usualOf } from './working';

const sum = (path: string) => sums.find((s) => s.path === path)!;
const started = (path: string, change: Record<string, unknown> = {}) => {
  const { parts } = sum(path);
  return requestOf(parts, { ...startOf(parts), ...change } as ReturnType<typeof startOf>);
};

describe('a sum', () => {
  it('asks with its own units, and leaves out what is empty', () => {
    expect(started('stones')).toEqual({
      areaMm2: 8000,
      depthMm: 6,
      bulkDensity: 1.4,
      solidDensity: 2.5,
      solidsShare: 0.56,
    });
    expect(started('stones', { coverShare: 50 })).toMatchObject({ coverShare: 0.5 });
  });

  it('asks with one of two, whichever is chosen', () => {
    expect(started('mix')).toMatchObject({
      volumeMl: 150,
      ratio: { basis: 'volume', resin: 1, hardener: 1 },
    });
    expect(started('mix')).not.toHaveProperty('massG');
    const byMass = started('mix', { 'volumeMl|massG': 'massG', massG: 250 });
    expect(byMass).toMatchObject({ massG: 250 });
    expect(byMass).not.toHaveProperty('volumeMl');
  });

  it('tells which of two it is where that is asked for', () => {
    const parts: Part[] = [
      {
        either: [
          { blank: 'massG', label: 'In a cup', unit: 'g', start: 100 },
          { blank: 'depthMm', label: 'As a film', unit: 'mm', start: 3 },
        ],
        tells: { field: 'kind', as: ['cup', 'film'] },
      },
    ];
    expect(requestOf(parts, startOf(parts))).toEqual({ massG: 100, kind: 'cup' });
    expect(requestOf(parts, { ...startOf(parts), 'massG|depthMm': 'depthMm' })).toEqual({
      depthMm: 3,
      kind: 'film',
    });
  });

  it('asks with as many as there are, plain numbers as such', () => {
    expect(started('puddle')).toEqual({ volumesMl: [60, 40, 80], depthMm: 3 });
    expect(started('region')).toMatchObject({ stones: [] });
    expect(started('age')).toMatchObject({
      segments: [
        { hours: 8, celsius: 17 },
        { hours: 16, celsius: 21 },
      ],
    });
  });

  it('tells each result with what it came from', () => {
    const puddle = sum('puddle');
    const results = resultsOf(puddle, startOf(puddle.parts), { outerRadiiMm: [79.8, 103, 138.2] }, {});
    expect(results.map((r) => [r.label, r.of.value])).toEqual([
      ['Radius 1', 79.8],
      ['Radius 2', 103],
      ['Radius 3', 138.2],
    ]);
    expect(results[0]!.of.inputs.map((i) => [i.name, i.value, i.origin])).toEqual([
      ['Colour 1', 60, 'own'],
      ['Colour 2', 40, 'own'],
      ['Colour 3', 80, 'own'],
      ['Depth', 3, 'own'],
    ]);
    const cup = sum('cup');
    const [, gel] = resultsOf(
      cup,
      startOf(cup.parts),
      { workingMinutes: 45, gelMinutes: null, peakC: 79 },
      { reactionHeatJPerG: 260 },
    );
    expect(gel!.label).toBe('Peaks at');
    expect(gel!.of.inputs.find((i) => i.name === 'Heat of reaction')).toMatchObject({
      value: 260,
      origin: 'default',
    });
  });

  it('tells the usual in the unit it is shown in, and none where it follows from the rest', () => {
    const { parts } = sum('region');
    const blanks = parts.flatMap((p) => (typeof p === 'object' && 'blank' in p ? [p] : []));
    const told = (field: string) =>
      usualOf(
        blanks.find((b) => b.blank === field)!,
        { reserve: 0.1, filmMm: 0.5, depthMm: 9 },
      );
    expect([told('reserve'), told('filmMm'), told('depthMm'), told('transfers')]).toEqual([
      10,
      0.5,
      null,
      null,
    ]);
  });

  it('has a question and a path of its own', () => {
    const of = (key: keyof Sum) => new Set(sums.map((s) => s[key]));
    expect(of('path').size).toBe(sums.length);
    expect(of('question').size).toBe(sums.length);
  });
});
