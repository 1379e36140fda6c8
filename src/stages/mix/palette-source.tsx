import type { PaletteSource as Source } from '@/core/brand/document';
import { useBrand } from '@/ui/brand-context';
import { useWantedPicture } from '@/ui/wanted-picture';
import { useGoTo } from '@/ui/stage-link';
import css from './mix.module.css';

/** What the palette was made from; a picture opens again where its colours were found. */
export function PaletteSource({ source }: { source: Source }) {
  const brand = useBrand((state) => state.id);
  const goTo = useGoTo();
  if ('shelf' in source) return <Words words={`from the shelf: ${source.name}`} maker={source.maker} />;
  if ('file' in source) return <Words words={`from ${source.file}`} maker={source.maker} />;
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

function Words({ words, maker }: { words: string; maker: string | undefined }) {
  return (
    <span className={css.from}>
      {words}
      {maker && `, made by ${maker}`}
    </span>
  );
}
