import { describe, expect, it } from 'vitest';
import type { Saving, SavingEvent } from './saving';
import { after } from './saving';

const cases: Saving[] = [
  { state: 'saving' },
  { state: 'kept', at: 'then' },
  { state: 'refused', message: 'too wide' },
  { state: 'waiting', message: 'gone' },
  { state: 'stale', message: 'overtaken' },
];

/** What each event leads to, from every case but the one that only a choice leads out of. */
const events: [SavingEvent, Saving][] = [
  [{ is: 'sent' }, { state: 'saving' }],
  [
    { is: 'kept', at: 'now' },
    { state: 'kept', at: 'now' },
  ],
  [
    { is: 'refused', message: 'no' },
    { state: 'refused', message: 'no' },
  ],
  [
    { is: 'unanswered', message: 'gone' },
    { state: 'waiting', message: 'gone' },
  ],
  [
    { is: 'overtaken', message: 'faster' },
    { state: 'stale', message: 'faster' },
  ],
  [
    { is: 'settled', at: 'now' },
    { state: 'kept', at: 'now' },
  ],
];

describe('whether it is kept', () => {
  for (const from of cases)
    for (const [event, to] of events) {
      const holds = from.state === 'stale' && event.is !== 'settled';
      it(`is ${holds ? 'still stale' : to.state} when it is ${from.state} and ${event.is}`, () =>
        expect(after(from, event)).toEqual(holds ? from : to));
    }
});
