import { Button } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { usePicture } from './use-picture';
import css from './picture.module.css';

/** The place where a picture of one's own is chosen or dropped, and what is shown of it. */
export function PictureChoice({
  hint,
  of: { opened, problem, dropzone },
  children,
}: {
  hint: string;
  of: ReturnType<typeof usePicture>;
  children: ReactNode;
}) {
  return (
    <div {...dropzone.getRootProps()} className={css.picture} data-dropping={dropzone.isDragActive || undefined}>
      <input {...dropzone.getInputProps()} data-testid="own-picture" />
      <div className={css.choose}>
        <Button size="xs" variant="outline" onClick={dropzone.open}>
          {opened ? 'Another picture…' : 'Choose a picture…'}
        </Button>
        <span>{problem || opened?.name || `or drop one here, ${hint}. It is not sent anywhere.`}</span>
      </div>
      {children}
    </div>
  );
}
