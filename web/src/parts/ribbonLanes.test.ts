import { expect, it } from 'vitest';
import type { Moment, RibbonSpan } from '../api/client';
import { hiddenWords, place, wordsOn } from './ribbonLanes';

const start = Date.parse('2026-05-01T08:00:00Z');
const at = (hours: number): Moment => {
  const instant = new Date(start + hours * 3_600_000).toISOString();
  return { at: instant, local: instant.slice(0, 19) };
};
const span = (name: string, opens: number, closes: number | null): RibbonSpan => ({
  pieceId: name,
  pieceName: name,
  layerId: 'layer-1',
  sittingId: 'layer-1',
  sittingName: 'Layer',
  milestone: 'next-layer',
  opens: at(opens),
  closes: closes === null ? null : at(closes),
  state: opens <= 0 ? 'open' : 'ahead',
  poured: true,
  half: false,
  layers: 1,
  renewing: false,
});
// 1000 pixels over 72 hours; what has begun stands at the left edge.
const x = (m: Moment) => ((Date.parse(m.at) - start) / 3_600_000 / 72) * 1000;
const shown = (spans: RibbonSpan[], lanes: number) =>
  place(spans, x, 1000, lanes).map((p) => p.span.pieceName);

it('shows a window that is open, and one that opens within minutes', () => {
  expect(shown([span('open', -5, 9), span('soon', 0.1, 4)], 2)).toEqual(['soon', 'open']);
});

it('shows what is next to be done first: no long open window hides it', () => {
  const spans = [span('later', 1, 20), span('open long', -5, 30), span('open', -2, 3)];
  expect(shown(spans, 1)).toEqual(['later']);
  expect(shown(spans, 2)).toEqual(['later', 'open']);
  expect(shown(spans, 3)).toHaveLength(3);
  expect(shown([...spans, span('later still', 2, 30)], 3)).toEqual(['later', 'open', 'open long']);
});

it('lays no window over another or its words', () => {
  const spans = Array.from({ length: 12 }, (_, i) => span(`piece ${i}`, i * 3 - 4, i * 3 + 9));
  const placed = place(spans, x, 1000, 3);
  for (const [i, a] of placed.entries())
    for (const b of placed.slice(i + 1))
      if (a.lane === b.lane) expect(a.bar.left >= b.bar.right || b.bar.left >= a.bar.right).toBe(true);
});

it('says of what there is no room for when the first of it wants hands', () => {
  expect(hiddenWords([])).toBe('');
  expect(hiddenWords([span('late', 9, 12), span('soon', 2.5, 4)])).toBe('and 2 more, 10:30');
  expect(hiddenWords([span('late', 9, 12), span('now', -1, 4)])).toBe('and 2 more, open now');
});

it('names the layer of a window where the piece has several', () => {
  expect(wordsOn(span('Fen', 1, 2))).toBe('Fen · next layer');
  expect(wordsOn({ ...span('Fen', 1, 2), layers: 2, sittingName: 'Veil' })).toBe('Fen · Veil · next layer');
});
