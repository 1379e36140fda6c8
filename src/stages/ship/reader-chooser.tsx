import { FAMILY_TITLES, type Family } from '@/core/base/families';
import { Input } from '@chakra-ui/react';
import { useState } from 'react';
import { type Format } from '@/core/formats/kit/format';
import { FORMATS } from '@/core/formats/registry';
import css from './ship.module.css';

const WRITTEN = FORMATS;

/** “What reads it?”: every format that can be written, by its reader. */
export function ReaderChooser({ chosen, onChoose }: { chosen: string | null; onChoose: (format: Format) => void }) {
  const [filter, setFilter] = useState('');
  const words = filter.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = ({ readBy = '', title, extensions }: Format) => {
    const all = `${readBy} ${title} ${extensions.join(' ')}`.toLowerCase();
    return words.every((word) => all.includes(word));
  };
  const found = WRITTEN.filter(fits);
  return (
    <div className={css.chooser} role="group" aria-label="What reads it?">
      <Input
        size="xs"
        autoFocus
        value={filter}
        placeholder="A program, a language or an ending"
        aria-label="Filter by reader"
        onChange={({ target }) => setFilter(target.value)}
      />
      <div className={css.readers}>
        {(Object.entries(FAMILY_TITLES) as [Family, string][]).map(([family, title]) => {
          const formats = found.filter((format) => format.family === family);
          if (formats.length === 0) return null;
          return (
            <section key={family}>
              <h2>{title}</h2>
              {formats.map((format) => (
                <button key={format.id} aria-pressed={format.id === chosen} onClick={() => onChoose(format)}>
                  <b>{format.readBy}</b>
                  <small>{format.title}</small>
                </button>
              ))}
            </section>
          );
        })}
        {found.length === 0 && <p className={css.soft}>Nothing here is called that. A template of your own may be the way.</p>}
      </div>
    </div>
  );
}
