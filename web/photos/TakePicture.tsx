import { Camera } from 'lucide-react';
import { type ReactNode, useRef } from 'react';
import { Button } from '../ui/Button';

interface Props {
  readonly children: ReactNode;
  readonly onFiles: (files: readonly File[]) => void;
  readonly look?: 'plain' | 'quiet';
  readonly several?: boolean;
  readonly label?: string;
}

/** Opens the camera of a tablet, or the files of a desk. */
export function TakePicture({ children, onFiles, look = 'plain', several = false, label }: Props) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button look={look} aria-label={label} onClick={() => input.current?.click()}>
        <Camera size={16} /> {children}
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple={several}
        className="sr-only"
        tabIndex={-1}
        aria-hidden
        data-takes={label ?? 'picture'}
        onChange={({ target }) => {
          const files = [...(target.files ?? [])];
          // The same file may be chosen again.
          target.value = '';
          if (files.length > 0) onFiles(files);
        }}
      />
    </>
  );
}
