import { useEffect, useState } from 'react';
import Modal from 'react-bootstrap/Modal';
import { useLocation } from 'react-router';
import { isFree, setSingleKeys, singleKeys, useSingleKeys } from '../units/singleKeys';
import './KeySheet.scss';

type Lines = readonly (readonly [what: string, hand: string, keys: string])[];

const anywhere: Lines = [
  ['Open a number', 'press it', 'Tab to it, Enter; Esc shuts it'],
  ['Change a value', 'press it and type', 'Tab to it, type, Enter'],
  ['Another unit', 'type it: 3 oz, 250 ml, 1 3/4 in', 'the same'],
  ['The ribbon', 'press a window', 'Tab to it, then ← →'],
];
const onPieces: Lines = [
  ['Go to a station', 'press its tag', '1 to 6'],
  ['Undo, redo', 'press Undo or Redo', 'Ctrl Z, Ctrl Shift Z'],
  ['Let go', 'drag back, or press it again', 'Esc'],
  ['Another layer', 'press it in the core sample', 'Tab to it, Enter'],
  ['Nearer, farther', 'draw the scale bar out, pinch, or turn the wheel', '+ and −'],
  ['The whole piece again', 'press the scale bar twice', 'Tab to the scale, Home'],
  ['Move the picture', 'drag beside the bands', 'hold space and drag'],
];
const at: Record<string, Lines> = {
  ground: [
    ['Size', 'drag the rim', 'Tab to it, arrows; Shift for ten'],
    ['A support', 'drag it', 'Tab to it, arrows'],
    ['What is prepared', 'tick it on the piece', 'Tab to it, space'],
  ],
  map: [
    ['A heart', 'drag it; drag its grips for size and turn', 'Tab to it, arrows; Shift for ten'],
    ['A band’s width', 'drag its edge', 'Tab to the edge, ← →'],
    ['Light a cup’s regions', 'point at the cup', 'Tab to the cup'],
    ['The reserve', 'drag a cup’s level', '↑ ↓ at the cup; with Alt its bands'],
  ],
  cups: [
    ['The reserve', 'drag a cup up or down', '↑ ↓ at the cup; with Alt its bands'],
    ['Into another batch', 'carry the cup by its name', 'buttons of the batch'],
  ],
  pour: [
    ['Earlier, later', 'press the arrows', 'Tab to them, Enter'],
    ['A region’s passes', 'press the region', 'Tab to its name, Enter'],
  ],
};

/** What can be done here, with hands and with keys: opened by its button or by a question mark. */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  const single = useSingleKeys();
  const { pathname } = useLocation();
  const station = /^\/pieces\/[^/]+\/(\w+)$/.exec(pathname)?.[1];
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.key !== '?' || !singleKeys() || !isFree(e)) return;
      e.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  const own = station === undefined ? undefined : at[station];
  return (
    <>
      <button
        type="button"
        className="btn btn-outline-primary"
        aria-label="? What can be done here, with hands and keys"
        title="What can be done here, with hands and keys"
        onClick={() => setOpen(true)}
      >
        ?
      </button>
      <Modal
        show={open}
        onHide={() => setOpen(false)}
        centered
        animation={false}
        size="lg"
        aria-labelledby="key-sheet"
      >
        <Modal.Body className="key-sheet">
          <h2 id="key-sheet">With hands and keys</h2>
          <table>
            <thead>
              <tr>
                <th scope="col">what</th>
                <th scope="col">by hand</th>
                <th scope="col">by keys</th>
              </tr>
            </thead>
            <tbody>
              {[...(own ?? []), ...(station === undefined ? [] : onPieces), ...anywhere].map(
                ([what, hand, keys]) => (
                  <tr key={what}>
                    <th scope="row">{what}</th>
                    <td>{hand}</td>
                    <td>{keys}</td>
                  </tr>
                ),
              )}
            </tbody>
          </table>
          <p>
            <label className="single-keys">
              <input type="checkbox" checked={single} onChange={(e) => setSingleKeys(e.target.checked)} />
              Digits and ? act by themselves
            </label>
          </p>
          <button type="button" className="btn btn-primary" onClick={() => setOpen(false)}>
            Close
          </button>
        </Modal.Body>
      </Modal>
    </>
  );
}
