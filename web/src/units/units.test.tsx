import { fireEvent, render, screen } from '@testing-library/react';
import { beforeEach, expect, it } from 'vitest';
import { UnitsProvider, useUnits } from './units';

function Probe() {
  const units = useUnits();
  return (
    <>
      <output>
        {[
          units.show(600, 'mm'),
          units.show(113.7, 'ml'),
          units.show(86.25, 'g'),
          units.show(19.5, '°C'),
          units.show(2400, 'cm²'),
          units.show(3.2, 'kg'),
          units.show(0.9, 'ml'),
          units.field(20, 'ml') + units.unit('ml', 20),
          units.field(304.79999, 'mm') + ' ' + units.field(73.934, 'ml'),
          units.field(300, 'mm'),
          units.typed(20, units.system === 'us' ? 'mm' : 'ml'),
        ].join(' | ')}
      </output>
      <button onClick={() => units.choose(units.system === 'us' ? 'metric' : 'us')}>other units</button>
    </>
  );
}

beforeEach(() => localStorage.clear());

it('shows what the person chose, keeps masses in grams, and remembers the choice', () => {
  const view = render(<Probe />, { wrapper: UnitsProvider });
  expect(screen.getByRole('status').textContent).toBe(
    '600 mm | 114 ml | 86.3 g | 19.5 °C | 2400 cm² | 3.20 kg | 0.9 ml | 20ml | 304.8 73.9 | 300 | 20',
  );
  fireEvent.click(screen.getByRole('button'));
  const us =
    '23.6 in | 3.84 fl oz | 86.3 g | 67.1 °F | 372 in² | 7.05 lb | 0.9 ml | 20ml | 12 2.5 | 11.811 | 508';
  expect(screen.getByRole('status').textContent).toBe(us);
  view.unmount();
  render(<Probe />, { wrapper: UnitsProvider });
  expect(screen.getByRole('status').textContent).toBe(us);
});
