import { useRef } from 'react';
import { Button } from './Button';

interface Props {
  label: string;
  /** What the browser's own chooser is called to who hears the view. */
  name: string;
  /** Kinds of file that the chooser offers. */
  accept: string;
  testID: string;
  onFile: (file: File) => void;
}

/** Opens the browser's chooser and hands on the file; the same one can be chosen again. */
export function FileButton({ label, name, accept, testID, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        accept={accept}
        aria-label={name}
        style={{ display: 'none' }}
        data-testid={testID}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
      <Button label={label} onPress={() => input.current?.click()} />
    </>
  );
}
