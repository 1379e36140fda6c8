import type { Palette, PaletteSource } from '@/core/brand/document/palette-shape';
import { useBrand } from '@/ui/store/brand-context';
import { useWantedPicture } from '@/ui/wanted-picture';
import { useGoTo } from '@/ui/stage-link';
import css from './mix.module.css';

/** What a palette is for, who made it, and what it was made from; nothing where nothing is known. */
export function PaletteWords({ palette: { note, maker, source } }: { palette: Palette }) {
  if (!note && !maker && !source) return null;
  return (
    <p className={css.words}>
      {note && <span className={css.purpose}>{note}</span>}
      {maker && (
        <span>
          made by{' '}
          {maker.link ? (
            <a href={maker.link} target="_blank" rel="noreferrer noopener">
              {maker.name}
            </a>
          ) : (
            maker.name
          )}
        </span>
      )}
      {source && <Source source={source} />}
    </p>
  );
}

/** A picture opens again where its colours were found. */
function Source({ source }: { source: PaletteSource }) {
  const brand = useBrand((state) => state.id);
  const goTo = useGoTo();
  if ('shelf' in source) return <span>from the shelf: {source.name}</span>;
  if ('file' in source) return <span>from {source.file}</span>;
  const open = () => {
    useWantedPicture.setState({ wanted: source });
    goTo('gather');
  };
  return (
    <button className={css.from} title={`Find colours in ${source.name} again`} onClick={open}>
      {/* eslint-disable-next-line @next/next/no-img-element -- a picture behind a sign-in, at its own address for good */}
      <img src={`/api/brands/${brand}/pictures/${source.picture}`} alt="" />
      from {source.name}
    </button>
  );
}
