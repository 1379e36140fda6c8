import { useBrand } from '@/ui/store/brand-context';
import { useReleases } from '@/ui/asked/releases';
import { CompareReleases } from './compare-releases';
import { RestoreRelease } from './restore-release';
import { ViewHead } from './view-head';
import css from './watch.module.css';

/** Every release with its files and their hashes; each file is there to be fetched for good. */
export function Releases() {
  const { id, newest } = useBrand((state) => ({ id: state.id, newest: state.release?.number }));
  const { data: releases, isError } = useReleases();
  return (
    <>
      <ViewHead
        title={releases?.length === 0 ? 'Nothing has been released yet' : 'Everything that was released'}
        about="Each with its document, its files and their SHA-256, for good"
      />
      {isError && <p>The releases cannot be reached just now; try again in a moment.</p>}
      {releases && releases.length > 1 && <CompareReleases key={newest} releases={releases} />}
      {releases?.map((release) => (
        <section key={release.number} className={css.release}>
          <div>
            <h2>
              {release.title} <small>{release.version}</small>
            </h2>
            <p>
              Release {release.number}, by {release.by},{' '}
              {new Date(release.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short', hour12: false })}
            </p>
            {release.imported && (
              <p>
                {release.imported === 'written again'
                  ? 'Imported; written again here, it gave the same files.'
                  : 'Imported; another version wrote its files, and that they are those of its colours is so because the archive says so.'}
              </p>
            )}
            {release.signedBy.length > 0 && <p>Signed by {release.signedBy.join(', ')}</p>}
            {release.note && <p>{release.note}</p>}
            <a href={`/deliver/${id}/${release.number}`} download>
              Download release {release.number} as a zip
            </a>
            <RestoreRelease number={release.number} />
          </div>
          <ul>
            {release.manifest.map((entry) => (
              <li key={entry.path}>
                <a href={`/deliver/${id}/${release.number}/${entry.path}`}>
                  <code>{entry.path}</code>
                </a>
                <code>{entry.bytes.toLocaleString('en')} B</code>
                <code title={entry.sha256}>{entry.sha256.slice(0, 16)}</code>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </>
  );
}
