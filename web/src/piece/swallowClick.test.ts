import { expect, it, vi } from 'vitest';
import { swallowClick } from './swallowClick';

const pressable = () => {
  const button = document.createElement('button');
  const pressed = vi.fn();
  const around = document.createElement('div');
  around.append(button);
  around.addEventListener('click', pressed);
  return { button, pressed };
};

it('swallows the click that follows at once', () => {
  const { button, pressed } = pressable();
  swallowClick(button);
  button.click();
  expect(pressed).not.toHaveBeenCalled();
  button.click();
  expect(pressed).toHaveBeenCalledTimes(1);
});

it('takes no later press where no click follows', () => {
  vi.useFakeTimers();
  const { button, pressed } = pressable();
  swallowClick(button);
  vi.runAllTimers();
  vi.useRealTimers();
  button.click();
  expect(pressed).toHaveBeenCalledTimes(1);
});
