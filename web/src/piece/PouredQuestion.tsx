import Modal from 'react-bootstrap/Modal';

interface PouredQuestionProps {
  /** Name of the layer that is to be changed; null where nothing is asked. */
  layer: string | null;
  onChange: () => void;
  onLeave: () => void;
}

/** Asked once before the map of a layer is changed that has been poured. */
export function PouredQuestion({ layer, onChange, onLeave }: PouredQuestionProps) {
  return (
    <Modal
      show={layer !== null}
      onHide={onLeave}
      centered
      animation={false}
      aria-labelledby="poured-question"
    >
      <Modal.Body>
        <h2 id="poured-question">{layer} has been poured.</h2>
        <p>
          Its log keeps the map as it was poured. What you change from here on is a plan that the piece on the
          bench does not follow any more.
        </p>
        <p className="row-buttons">
          <button type="button" className="btn btn-primary" onClick={onLeave}>
            Leave it as it was poured
          </button>
          <button type="button" className="btn btn-outline-primary" onClick={onChange}>
            Change its map all the same
          </button>
        </p>
      </Modal.Body>
    </Modal>
  );
}
