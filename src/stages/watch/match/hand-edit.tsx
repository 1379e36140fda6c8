import { Button, NativeSelect, Textarea } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { SCREEN_LIMITS, type Screen } from '@/core/screens/screen';
import { useBrand } from '@/ui/store/brand-context';
import { FormDialog } from '@/ui/form-dialog';
import { useReleases } from '@/ui/asked/releases';
import { useScreenAct } from '@/ui/asked/screens';
import css from './match.module.css';

/** What holds text that a person can change, by its media type. */
const TEXT = /^(text\/|application\/(json|xml|javascript))|\+(json|xml)/;

/** A file of a simulated screen, to be changed by hand as somebody at a real one might; Watch is to catch it. */
export function HandEdit({ screen, onClose }: { screen: Screen; onClose: () => void }) {
  const id = useBrand((state) => state.id);
  const act = useScreenAct();
  const { data: releases } = useReleases();
  const release = releases?.find(({ number }) => number === screen.held) ?? releases?.[0];
  const files = (release?.manifest ?? []).filter(
    ({ mediaType, bytes }) => TEXT.test(mediaType) && bytes < SCREEN_LIMITS.editBytes,
  );
  const [chosen, setChosen] = useState(screen.edited[0] ?? '');
  const path = chosen || files[0]?.path || '';
  const { data: now } = useQuery({
    queryKey: ['screen file', id, screen.id, screen.held, screen.edition, path],
    enabled: path !== '',
    queryFn: async () => {
      const response = await fetch(`/screens/of/${id}/${screen.id}/${path.split('/').map(encodeURIComponent).join('/')}`);
      if (!response.ok) throw new Error(`${path} could not be fetched`);
      return response.text();
    },
  });
  const [changed, setChanged] = useState<{ path: string; text: string } | null>(null);
  const text = changed?.path === path ? changed.text : (now ?? '');
  const put = async (next: string | null) => {
    if (await act(`/${screen.id}`, 'PATCH', { file: { path, text: next } })) onClose();
  };
  return (
    <FormDialog
      title={`The files of ${screen.name}`}
      act="Change the file at this screen"
      size="lg"
      disabled={changed?.path !== path || text === now}
      body={css.form}
      onAct={() => void put(text)}
      onClose={onClose}
    >
      <p>At this screen alone. What was released stays as it is, and the match report tells what differs.</p>
      <label>
        File
        <NativeSelect.Root size="sm">
          <NativeSelect.Field value={path} onChange={(event) => setChosen(event.target.value)}>
            {files.map((file) => (
              <option key={file.path} value={file.path}>
                {screen.edited.includes(file.path) ? `${file.path}, edited by hand` : file.path}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
      </label>
      <label>
        What is in it
        <Textarea
          className={css.file}
          rows={14}
          spellCheck={false}
          value={text}
          maxLength={SCREEN_LIMITS.editBytes}
          onChange={(event) => setChanged({ path, text: event.target.value })}
        />
      </label>
      {screen.edited.includes(path) && (
        <Button size="xs" variant="outline" alignSelf="start" onClick={() => void put(null)}>
          Take the change by hand back
        </Button>
      )}
    </FormDialog>
  );
}
