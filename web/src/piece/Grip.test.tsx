import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { FieldsContext } from '../parts/fields';
import { Grip } from './Grip';
import { moves } from './moves';

const step = vi.fn();
const down = vi.fn();
const hold = { take: vi.fn(), move: vi.fn(), drop: vi.fn(), leave: vi.fn() };

const range = { what: 'Band width', from: 0.5, to: 1000, unit: 'mm', fromExcluded: false };

function grip(props: Partial<React.ComponentProps<typeof Grip>> = {}) {
  render(
    <FieldsContext
      value={{ ranges: { 'layers.layout.bands.widthMm': range }, most: {}, usual: {}, unpainted: [] }}
    >
      <svg>
        <Grip
          at={[10, 20]}
          size={9}
          tells={{
            name: 'Edge of moss',
            value: 30,
            words: '30 mm wide',
            takes: 'layers.layout.bands.widthMm',
          }}
          hold={hold}
          onStep={step}
          {...props}
        />
      </svg>
    </FieldsContext>,
  );
  const element = screen.getByRole('slider', { name: 'Edge of moss' });
  element.setPointerCapture = () => undefined;
  return element;
}

beforeEach(() => [step, down, hold.take, hold.move, hold.drop, hold.leave].forEach((f) => f.mockReset()));
afterEach(() => {
  cleanup();
});

describe('a grip', () => {
  it('tells its value and its range as a slider', () => {
    const element = grip();
    expect(element.getAttribute('aria-valuenow')).toBe('30');
    expect(element.getAttribute('aria-valuetext')).toBe('30 mm wide');
    expect(element.getAttribute('aria-valuemin')).toBe('0.5');
    expect(element.getAttribute('aria-valuemax')).toBe('1000');
    expect(element.getAttribute('tabindex')).toBe('0');
  });

  it('steps by one, with shift by ten; right and up add', () => {
    const element = grip();
    fireEvent.keyDown(element, { key: 'ArrowRight' });
    fireEvent.keyDown(element, { key: 'ArrowLeft', shiftKey: true });
    fireEvent.keyDown(element, { key: 'ArrowUp' });
    fireEvent.keyDown(element, { key: 'ArrowDown', shiftKey: true });
    expect(step.mock.calls).toEqual([[1], [-10], [1], [-10]]);
  });

  it('moves both ways where it can, down adding', () => {
    const element = grip({ onStepDown: down });
    fireEvent.keyDown(element, { key: 'ArrowDown' });
    fireEvent.keyDown(element, { key: 'ArrowUp', shiftKey: true });
    expect(down.mock.calls).toEqual([[1], [-10]]);
    expect(step).not.toHaveBeenCalled();
  });

  it('leaves other keys alone', () => {
    expect(fireEvent.keyDown(grip(), { key: 'Tab' })).toBe(true);
    expect(step).not.toHaveBeenCalled();
  });

  it('is held from where it was taken until it is let go', () => {
    const element = grip();
    fireEvent.pointerDown(element, { button: 0, clientX: 100, clientY: 50 });
    fireEvent(element, new MouseEvent(moves, { clientX: 112, clientY: 47 }));
    fireEvent.pointerUp(element, { clientX: 115, clientY: 45 });
    fireEvent(element, new MouseEvent(moves, { clientX: 300, clientY: 300 }));
    expect(hold.take).toHaveBeenCalledOnce();
    expect(hold.move.mock.calls.map((c) => c[1] as unknown)).toEqual([{ x: 12, y: -3 }]);
    expect(hold.drop.mock.calls.map((c) => c[1] as unknown)).toEqual([{ x: 15, y: -5 }]);
  });

  it('takes the hand as far round it as it is told', () => {
    expect(grip({ touch: 13 }).querySelector('.reach')!.getAttribute('r')).toBe('13');
  });

  it('takes it from as far as a finger is wide where nothing is told', () => {
    expect(grip().querySelector('.reach')!.getAttribute('r')).toBe('22');
  });

  it('is let go of by Escape, which nobody else hears then', () => {
    const element = grip();
    const heard = vi.fn();
    window.addEventListener('keydown', heard);
    fireEvent.pointerDown(element, { button: 0, clientX: 100, clientY: 50 });
    fireEvent.keyDown(element, { key: 'Escape' });
    expect(hold.leave).toHaveBeenCalledOnce();
    expect(heard).not.toHaveBeenCalled();
    fireEvent.pointerUp(element, { clientX: 115, clientY: 45 });
    expect(hold.drop).not.toHaveBeenCalled();
    fireEvent.keyDown(element, { key: 'Escape' });
    expect(heard).toHaveBeenCalledOnce();
    window.removeEventListener('keydown', heard);
  });
});
