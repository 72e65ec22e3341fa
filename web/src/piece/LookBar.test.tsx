import { cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, expect, it, vi } from 'vitest';
import type { Look } from '../api/client';
import { LookBar, lookWords, usualLook } from './LookBar';

afterEach(cleanup);

const bar = (look: Look, hidden: string | null = null) => {
  const onLook = vi.fn<(look: Look) => void>();
  render(<LookBar look={look} tilt={null} laced={false} hidden={hidden} onLook={onLook} />);
  return onLook;
};
const button = (name: string) => screen.getByRole('button', { name });

it('turns a piece over only when it has cured', async () => {
  const onLook = bar({ ...usualLook, wet: true });
  expect(button('Just poured').getAttribute('aria-pressed')).toBe('true');
  await userEvent.click(button('Underside'));
  expect(onLook).toHaveBeenLastCalledWith({
    face: 'underside',
    wet: false,
    light: 'front',
    tiltDeg: 0,
    torched: false,
  });
});

it('turns it back to see it wet', async () => {
  const onLook = bar({ face: 'underside', wet: false, light: 'back', tiltDeg: 0, torched: false });
  await userEvent.click(button('Just poured'));
  expect(onLook).toHaveBeenLastCalledWith({
    face: 'top',
    wet: true,
    light: 'back',
    tiltDeg: 0,
    torched: false,
  });
});

it('puts the light behind it and in front again', async () => {
  const onLook = bar(usualLook);
  await userEvent.click(button('Light behind'));
  expect(onLook).toHaveBeenLastCalledWith({ ...usualLook, light: 'back', tiltDeg: 0, torched: false });
});

it('offers neither for a piece on wood', () => {
  bar(usualLook, 'Only castings are seen from below.');
  expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['Just poured']);
});

it('says what is not as usual', () => {
  expect(lookWords(usualLook)).toBe('');
  expect(lookWords({ face: 'underside', wet: false, light: 'back', tiltDeg: 0, torched: false })).toBe(
    ', from below, with the light behind it',
  );
});
