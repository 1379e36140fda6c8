'use client';

import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import type { Destination } from '@/core/brand/document/destination-shape';
import { newId } from '@/core/brand/document/identity';
import { formatById } from '@/core/formats/registry';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { Empty } from '@/ui/empty';
import { StageTitle } from '@/ui/stage-title';
import { DestinationView, RemoveDestination } from './destination-view';
import { DownloadAll } from './download-all';
import { ForBuilds } from './for-builds';
import { GraftView } from './grafts/graft-view';
import { useAddGraft } from './grafts/use-add-graft';
import { ArtView } from './art/art-view';
import { useAddArt } from './art/use-add-art';
import { ReaderChooser } from './reader-chooser';
import { SheetView } from './sheet-view';
import { Webhooks } from './webhooks';
import css from './ship.module.css';

export function Ship() {
  const { destinations, grafts, pieces, run } = useBrand((state) => ({
    destinations: state.brand.destinations,
    grafts: state.brand.grafts,
    pieces: state.brand.art,
    run: state.run,
  }));
  const mayEdit = useMayEdit();
  const [chosen, setChosen] = useState<string | null>(null);
  /** A destination that is looked at before it is added; null while none is sought. */
  const [sought, setSought] = useState<Destination | 'none yet' | null>(null);
  const piece = pieces.find(({ id }) => id === chosen);
  const graft = piece
    ? undefined
    : (grafts.find(({ id }) => id === chosen) ?? (destinations.length === 0 ? grafts[0] : undefined));
  const destination = piece || graft ? undefined : (destinations.find(({ id }) => id === chosen) ?? destinations[0]);
  const add = (made: Destination) => {
    if (!run({ label: `Ship to ${made.name}`, steps: [{ do: 'destination.add', destination: made, before: null }] })) return;
    setChosen(made.id);
    setSought(null);
  };
  const edit = (set: Partial<Pick<Destination, 'name' | 'options'>>, label: string) =>
    run({ label, steps: [{ do: 'destination.edit', id: destination!.id, set }] });
  const [sheet, setSheet] = useState(false);
  const show = (id: string) => {
    setChosen(id);
    setSought(null);
    setSheet(false);
  };
  const addArt = useAddArt(show);
  const graftOnto = useAddGraft(show, (files) => void addArt.add(files));
  const draft = sought === 'none yet' ? null : sought;
  return (
    <div {...graftOnto.root} className={css.stage} data-dropping={graftOnto.dropping || undefined}>
      <input {...graftOnto.input} data-testid="hosts" />
      <StageTitle
        title="Ship"
        about={sheet ? 'A guide to hand over' : sought ? 'What reads it?' : 'The files that screens read, as they stand now'}
      >
        <Button
          size="xs"
          variant="outline"
          disabled={!mayEdit || sheet}
          aria-pressed={sought !== null}
          onClick={() => setSought(sought ? null : 'none yet')}
        >
          {sought ? 'Back to the destinations' : 'Add a destination'}
        </Button>
        <Button
          size="xs"
          variant="outline"
          disabled={!mayEdit || sheet || graftOnto.share !== null || addArt.busy}
          onClick={graftOnto.choose}
        >
          {graftOnto.share !== null
            ? `Reading, ${Math.round(graftOnto.share * 100)} %`
            : addArt.busy
              ? 'Reading…'
              : 'Graft or recolour…'}
        </Button>
        <Button size="xs" variant="outline" aria-pressed={sheet} onClick={() => setSheet(!sheet)}>
          {sheet ? 'Back to the files' : 'Brand sheet'}
        </Button>
        <ForBuilds />
        <Webhooks />
        <DownloadAll />
      </StageTitle>
      {sheet ? (
        <SheetView />
      ) : sought ? (
        <div className={css.columns}>
          <ReaderChooser
            chosen={draft?.format ?? null}
            onChoose={(format) => setSought({ id: newId(), name: format.readBy!, format: format.id, options: {} })}
          />
          {draft ? (
            <DestinationView
              key={draft.format}
              destination={draft}
              kept={false}
              heading={
                <div className={css.heading}>
                  <h2>{formatById(draft.format)!.title}</h2>
                  <Button size="xs" onClick={() => add(draft)}>
                    Ship to this
                  </Button>
                </div>
              }
              onOptions={(options) => {
                setSought({ ...draft, options });
                return true;
              }}
            />
          ) : (
            <p className={css.soft}>Choose what reads the colours on the left, and its file is shown here before you add it.</p>
          )}
        </div>
      ) : !destination && !graft && !piece ? (
        <Empty title="Files are written here">
          A destination is a kind of file with its options: a theme for charts, variables for a site, a strip for a game,
          resources for an interface. A graft is a settings file of your own, in which only the colours are the brand’s. Add one
          above, or drop such a file here.
        </Empty>
      ) : (
        <div className={css.columns}>
          <div className={css.shipped}>
            <ul className={css.destinations}>
              {destinations.map((each) => (
                <li key={each.id}>
                  <button aria-current={each.id === destination?.id || undefined} onClick={() => setChosen(each.id)}>
                    <b>{each.name}</b>
                    <small>{formatById(each.format)?.title ?? each.format}</small>
                  </button>
                </li>
              ))}
            </ul>
            {pieces.length > 0 && (
              <>
                <h2>Recoloured art</h2>
                <ul className={css.grafts}>
                  {pieces.map((each) => (
                    <li key={each.id}>
                      <button aria-current={each.id === piece?.id || undefined} onClick={() => setChosen(each.id)}>
                        <b>{each.path.split('/').at(-1)}</b>
                        <small>
                          {each.sheets.length === 1 ? '1 sheet' : `${each.sheets.length} sheets`},{' '}
                          {each.groups.length === 1 ? '1 group' : `${each.groups.length} groups`}
                        </small>
                      </button>
                    </li>
                  ))}
                </ul>
              </>
            )}
            {grafts.length > 0 && (
              <>
                <h2>Grafts, your own files</h2>
                <ul className={css.grafts}>
                  {grafts.map((each) => (
                    <li key={each.id}>
                      <button aria-current={each.id === graft?.id || undefined} onClick={() => setChosen(each.id)}>
                        <b>{each.path.split('/').at(-1)}</b>
                        <small>{Object.keys(each.bindings).length + Object.keys(each.banks).length} bound</small>
                      </button>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </div>
          {piece ? (
            <ArtView key={piece.id} art={piece} onRemoved={() => setChosen(null)} />
          ) : graft ? (
            <GraftView key={graft.id} graft={graft} onRemoved={() => setChosen(null)} />
          ) : (
            destination && (
              <DestinationView
                key={destination.id}
                destination={destination}
                kept
                heading={
                  <div className={css.heading}>
                    <h2>
                      <CommitInput
                        look="plain"
                        label="Name of the destination"
                        value={destination.name}
                        disabled={!mayEdit}
                        onCommit={(name) => edit({ name }, `Rename ${destination.name} to ${name}`)}
                      />
                    </h2>
                    <RemoveDestination destination={destination} />
                  </div>
                }
                onOptions={(options, what) => edit({ options }, `Set ${what} of ${destination.name}`)}
              />
            )
          )}
        </div>
      )}
    </div>
  );
}
