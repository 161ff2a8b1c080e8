import Button from '@mui/material/Button';
import { type ReactNode, useRef } from 'react';

interface FileButtonProps {
  /** What the file is, for who does not see it. */
  readonly label: string;
  /** Endings that the file may have. */
  readonly accept: string;
  readonly disabled?: boolean;
  readonly title?: string;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}

/** A button that asks for a file; the same file can be chosen again after it was corrected. */
export function FileButton({ label, accept, disabled = false, title, onFile, children }: FileButtonProps) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button disabled={disabled} title={title} onClick={() => chooser.current?.click()}>
        {children}
      </Button>
      <input
        ref={chooser}
        type="file"
        hidden
        aria-label={label}
        accept={accept}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) onFile(file);
        }}
      />
    </>
  );
}
