import { Toast, ToastContainer } from 'react-bootstrap';
import './Sequences.scss';

/** What was taken out can be put back. It stays until it is answered: gloves take their time. */
export function PutBack({
  name,
  onBack,
  onClose,
}: {
  name: string;
  onBack: () => void;
  onClose: () => void;
}) {
  return (
    <ToastContainer className="gone" position="bottom-center" containerPosition="fixed">
      <Toast role="status" onClose={onClose}>
        <Toast.Body>
          <span>{name} was taken out.</span>
          <button type="button" className="btn btn-outline-primary" onClick={onBack}>
            Put it back
          </button>
          <button type="button" className="btn btn-outline-primary" onClick={onClose}>
            Close
          </button>
        </Toast.Body>
      </Toast>
    </ToastContainer>
  );
}
