import { Button, Input } from '@chakra-ui/react';
import { useState } from 'react';
import { PART_TITLES, SHEET_PARTS, type SheetPart } from '@/core/sheet/sheet';
import { useBrand } from '@/ui/brand-context';
import { download } from '@/ui/download';
import { tell } from '@/ui/notices';
import css from './ship.module.css';

type Form = 'pdf' | 'html' | 'svg' | 'png';

/** The brand sheet, page by page, and its forms to take along. */
export function SheetView() {
  const { id, seq } = useBrand((state) => ({ id: state.id, seq: state.replica.seq }));
  const [parts, setParts] = useState<readonly SheetPart[]>(SHEET_PARTS);
  const [note, setNote] = useState('');
  const [settled, setSettled] = useState('');
  const [busy, setBusy] = useState<string | null>(null);
  const address = (as: Form, page: number) => {
    const query = new URLSearchParams({ as, page: String(page), parts: parts.join(','), note: settled });
    return `/api/brands/${id}/sheet?${query.toString()}`;
  };
  const take = async (as: Form, page = 1) => {
    setBusy(as + page);
    try {
      const response = await fetch(address(as, page));
      if (!response.ok) throw new Error(((await response.json()) as { error: string }).error);
      const name = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1] ?? `sheet.${as}`;
      download(name, response.headers.get('content-type') ?? '', new Uint8Array(await response.arrayBuffer()));
    } catch (error) {
      tell((error as Error).message);
    } finally {
      setBusy(null);
    }
  };
  return (
    <div className={css.sheet}>
      <div className={css.sheetOptions}>
        <fieldset className={css.several}>
          <legend>Pages</legend>
          {SHEET_PARTS.map((part) => (
            <label key={part} className={css.flag}>
              <input
                type="checkbox"
                checked={parts.includes(part)}
                disabled={parts.length === 1 && parts.includes(part)}
                onChange={({ target }) =>
                  setParts(SHEET_PARTS.filter((other) => (other === part ? target.checked : parts.includes(other))))
                }
              />
              {PART_TITLES[part]}
            </label>
          ))}
        </fieldset>
        <label>
          A line at the head
          <Input
            size="xs"
            value={note}
            maxLength={120}
            placeholder="nothing; a date, a version, for whom"
            onChange={({ target }) => setNote(target.value)}
            onBlur={() => setSettled(note)}
            onKeyDown={({ key }) => key === 'Enter' && setSettled(note)}
          />
        </label>
        <Button size="xs" disabled={busy !== null} onClick={() => void take('pdf')}>
          {busy === 'pdf1' ? 'Drawing…' : 'Download as PDF'}
        </Button>
        <Button size="xs" variant="outline" disabled={busy !== null} onClick={() => void take('html')}>
          Download as HTML
        </Button>
        <p className={css.soft}>
          Drawn from what the server has kept. It carries its fonts along, runs nothing and fetches nothing.
        </p>
      </div>
      <ol className={css.pages}>
        {parts.map((part, at) => (
          <li key={part}>
            {/* eslint-disable-next-line @next/next/no-img-element -- a drawing of this server, which cannot be made smaller */}
            <img src={`${address('svg', at + 1)}&of=${seq}`} alt={`Page ${at + 1}: ${PART_TITLES[part]}`} />
            <div className={css.buttons}>
              {PART_TITLES[part]}
              {(['svg', 'png'] as const).map((as) => (
                <Button
                  key={as}
                  size="2xs"
                  variant="outline"
                  disabled={busy !== null}
                  aria-label={`${PART_TITLES[part]} as ${as.toUpperCase()}`}
                  onClick={() => void take(as, at + 1)}
                >
                  {busy === as + (at + 1) ? 'Drawing…' : as.toUpperCase()}
                </Button>
              ))}
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}
