/** Whether what is on the page is kept: one of five cases, each with what is told of it. */
export type Saving =
  | { state: 'saving' }
  | { state: 'kept'; at: string }
  /** It was refused: the piece is as it was before it. */
  | { state: 'refused'; message: string }
  /** The workshop did not answer: it is sent again until it does. */
  | { state: 'waiting'; message: string }
  /** Another window was faster: nothing is sent until the person has chosen. */
  | { state: 'stale'; message: string };

/** What happens to what is to be kept. */
export type SavingEvent =
  | { is: 'sent' }
  | { is: 'kept'; at: string }
  | { is: 'refused'; message: string }
  | { is: 'unanswered'; message: string }
  | { is: 'overtaken'; message: string }
  /** The person chose what holds; what is kept now is on the page. */
  | { is: 'settled'; at: string };

/** What becomes of a case by an event. Where another window was faster only the person's choice leads on. */
export function after(saving: Saving, event: SavingEvent): Saving {
  if (saving.state === 'stale' && event.is !== 'settled') return saving;
  switch (event.is) {
    case 'sent':
      return { state: 'saving' };
    case 'kept':
    case 'settled':
      return { state: 'kept', at: event.at };
    case 'refused':
      return { state: 'refused', message: event.message };
    case 'unanswered':
      return { state: 'waiting', message: event.message };
    case 'overtaken':
      return { state: 'stale', message: event.message };
  }
}
