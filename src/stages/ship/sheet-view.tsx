import { Button, Input } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { MOST_PAGES, PART_TITLES, SHEET_PARTS, sheetOutline, type SheetPart } from '@/core/sheet/sheet';
import { useBrand } from '@/ui/store/brand-context';
import { download } from '@/ui/download';
import { tell } from '@/ui/notices';
import { PrintCondition } from './print-condition';
import { SheetLogo } from './sheet-logo';
import { SheetPage } from './sheet-page';
import css from './ship.module.css';

type Form = 'pdf' | 'html' | 'svg' | 'png';

/** The brand sheet, page by page, and its forms to take along. */
export function SheetView() {
  const { id, seq, brand } = useBrand((state) => ({ id: state.id, seq: state.replica.seq, brand: state.replica.brand }));
  const [parts, setParts] = useState<readonly SheetPart[]>(SHEET_PARTS);
  /** Ids of palettes that are left off. */
  const [without, setWithout] = useState<readonly string[]>([]);
  const [note, setNote] = useState('');
  const [settled, setSettled] = useState('');
  const [busy, setBusy] = useState<string | null>(null);
  const filled = brand.palettes.filter(({ swatches }) => swatches.length > 0);
  const { chosen, palettes, outline } = useMemo(() => {
    const ids = brand.palettes.filter(({ swatches }) => swatches.length > 0).map((palette) => palette.id);
    const kept = ids.filter((palette) => !without.includes(palette));
    const asked = kept.length === ids.length ? [] : kept;
    return { chosen: kept, palettes: asked, outline: sheetOutline(brand, { parts: [...parts], palettes: asked, note: '' }) };
  }, [brand, parts, without]);
  const address = (as: Form, page: number) => {
    const query = new URLSearchParams({
      as,
      page: String(page),
      parts: parts.join(','),
      palettes: palettes.join(','),
      note: settled,
    });
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
        <Button size="xs" disabled={busy !== null} onClick={() => void take('pdf')}>
          {busy === 'pdf1'
            ? 'Drawing…'
            : `Download as PDF, ${outline.parts.length} ${outline.parts.length === 1 ? 'page' : 'pages'}`}
        </Button>
        <Button size="xs" variant="outline" disabled={busy !== null} onClick={() => void take('html')}>
          Download as HTML
        </Button>
        {outline.left > 0 && (
          <p role="status" className={css.over}>
            {outline.left} pages more than the {MOST_PAGES} that a sheet has: leave out palettes or parts.
          </p>
        )}
        <fieldset className={css.several}>
          <legend>Parts</legend>
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
        {parts.includes('palettes') && filled.length > 1 && (
          <fieldset className={css.several}>
            <legend>Palettes</legend>
            {filled.map((palette) => (
              <label key={palette.id} className={css.flag}>
                <input
                  type="checkbox"
                  checked={chosen.includes(palette.id)}
                  disabled={chosen.length === 1 && chosen[0] === palette.id}
                  onChange={({ target }) =>
                    setWithout(target.checked ? without.filter((left) => left !== palette.id) : [...without, palette.id])
                  }
                />
                {palette.name}
              </label>
            ))}
          </fieldset>
        )}
        <label>
          A line at the head
          <Input
            size="xs"
            value={note}
            maxLength={120}
            placeholder="release and date"
            onChange={({ target }) => setNote(target.value)}
            onBlur={() => setSettled(note)}
            onKeyDown={({ key }) => key === 'Enter' && setSettled(note)}
          />
        </label>
        <SheetLogo />
        <PrintCondition />
        <p className={css.soft}>
          Drawn from what the server has kept. It carries its fonts along, runs nothing and fetches nothing.
        </p>
      </div>
      <ol className={css.pages}>
        {outline.parts.map((part, at) => {
          const title = `Page ${at + 1}: ${PART_TITLES[part]}`;
          const page = `${address('svg', at + 1)}&of=${seq}`;
          return (
            <li key={at}>
              <SheetPage key={page} address={page} title={title} />
              <div className={css.buttons}>
                {title}
                {(['svg', 'png'] as const).map((as) => (
                  <Button
                    key={as}
                    size="2xs"
                    variant="outline"
                    disabled={busy !== null}
                    aria-label={`${as.toUpperCase()} of page ${at + 1}`}
                    onClick={() => void take(as, at + 1)}
                  >
                    {busy === as + (at + 1) ? 'Drawing…' : as.toUpperCase()}
                  </Button>
                ))}
              </div>
            </li>
          );
        })}
      </ol>
    </div>
  );
}
