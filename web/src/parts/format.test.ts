import { describe, expect, it } from 'vitest';
import {
  decimalsOfStep,
  fieldText,
  fixed,
  localText,
  quantity,
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

  it('are shown with a true minus and never as minus nothing', () => {
    expect(fixed(-1.25, 1)).toBe('−1.3');
    expect(fixed(-0.004, 1)).toBe('0.0');
  });

  it('carry their unit at the step of the tool', () => {
    expect(quantity(86.25, 'g')).toBe('86.3 g');
    expect(quantity(113.7, 'ml')).toBe('114 ml');
    expect(quantity(3.4, 'ml')).toBe('3.4 ml');
    expect(quantity(0.87, '×')).toBe('0.87 ×');
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
