import { useId } from 'react';
import './FileButton.scss';

interface Props {
  /** What the button says. */
  children: string;
  /** Kinds of file that are taken, as the browser knows them. */
  accept: string;
  id?: string;
  /** The id of what is said against the last file. */
  describedBy?: string;
  onFile: (file: File) => void;
}

/** A button that asks for a file; the same file may be taken again. */
export function FileButton({ children, accept, id, describedBy, onFile }: Props) {
  const own = useId();
  return (
    <span className="file-button">
      <input
        id={id ?? own}
        type="file"
        className="visually-hidden"
        accept={accept}
        aria-describedby={describedBy}
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) onFile(file);
        }}
      />
      <label htmlFor={id ?? own} className="btn btn-outline-primary">
        {children}
      </label>
    </span>
  );
}
