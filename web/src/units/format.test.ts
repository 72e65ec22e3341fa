import { describe, expect, it } from 'vitest';
import {
  decimalsOfStep,
  fieldText,
  fixed,
  localText,
  momentText,
  quantity,
  tellTo,
  typedNumber,
  untilText,
  wireText,
} from './format';

describe('numbers', () => {
  it('have as many decimals as the step of the tool', () => {
    expect([1, 0.5, 0.1, 0.05, 0.01, 0.001].map(decimalsOfStep)).toEqual([0, 1, 1, 2, 2, 3]);
  });

  it('take a decimal comma or point and nothing else', () => {
    expect(typedNumber(' 12,5 ')).toBe(12.5);
    expect(typedNumber('−3')).toBe(-3);
    expect(typedNumber('.5')).toBe(0.5);
    for (const bad of ['', '12 mm', '1.2.3', 'NaN', '1e5', '-', '1,2,3']) expect(typedNumber(bad)).toBeNull();
  });

  it('are read as inches stand on a rule', () => {
    expect(['3/16', '1 3/16', '2-1/2', '−1/8', '7/64'].map(typedNumber)).toEqual([
      0.1875, 1.1875, 2.5, -0.125, 0.109375,
    ]);
    for (const bad of ['3/1', '3/', '/16', '3/5', '1/0', '1 2 3/4']) expect(typedNumber(bad)).toBeNull();
  });

  it('are shown with a true minus and never as minus nothing', () => {
    expect(fixed(-1.25, 1)).toBe('−1.3');
    expect(fixed(-0.004, 1)).toBe('0.0');
  });

  it('carry their unit at the step of the tool', () => {
    expect(quantity(86.25, 'g')).toBe('86.3 g');
    expect(quantity(113.7, 'ml')).toBe('114 ml');
    expect(quantity(3.4, 'ml')).toBe('3.4 ml');
    expect(quantity(0.87, '×')).toBe('0.87 ×');
    expect([0.0042, -0.002, 0, 1.25, 45].map((v) => quantity(v, '°'))).toEqual([
      '0.004 °',
      '−0.002 °',
      '0 °',
      '1.25 °',
      '45 °',
    ]);
  });
});

describe('times', () => {
  it('are read as the workshop wrote them', () => {
    expect(localText('2026-11-25T14:36:09')).toBe('Wed 25 Nov, 14:36');
    expect(localText('2027-01-01T00:05:00')).toBe('Fri 1 Jan, 00:05');
  });

  it('name the day of an end only when it is another', () => {
    expect(untilText('2026-11-25T05:41:00', '2026-11-25T06:56:00')).toBe('06:56');
    expect(untilText('2026-11-25T23:41:00', '2026-11-26T00:56:00')).toBe('Thu 26 Nov, 00:56');
  });

  it('go to a field and back', () => {
    expect(fieldText('2026-11-25T14:36:09')).toBe('2026-11-25T14:36');
    expect(fieldText(null)).toBe('');
    expect(wireText('2026-11-25T14:36')).toBe('2026-11-25T14:36:00');
    expect(wireText('')).toBeNull();
  });
});

describe('hours', () => {
  it('are told to 24 or to 12, as the workshop is asked to', () => {
    const times = [
      '2026-11-27T00:05:00',
      '2026-11-27T07:00:00',
      '2026-11-27T12:30:00',
      '2026-11-27T18:30:00',
    ];
    tellTo(12);
    expect(times.map((t) => localText(t).split(', ')[1])).toEqual([
      '12:05 am',
      '7:00 am',
      '12:30 pm',
      '6:30 pm',
    ]);
    tellTo(24);
    expect(times.map((t) => localText(t).split(', ')[1])).toEqual(['00:05', '07:00', '12:30', '18:30']);
  });

  it('have their year in a field where another would be taken', () => {
    expect(momentText('2026-11-27T18:30', '2026-11-20T08:00:00')).toBe('Fri 27 Nov, 18:30');
    expect(momentText('2025-01-15T14:35', '2026-11-20T08:00:00')).toBe('Wed 15 Jan 2025, 14:35');
    expect(momentText('')).toBe('');
  });
});
