import { type Naming, NAMINGS } from '@/core/brand/document/brand-shape';
import { Button, Dialog, Portal } from '@chakra-ui/react';
import { useState } from 'react';
import { resolveTheme, swatchesOf } from '@/core/brand/reading/resolve';
import { readColour } from '@/core/colour/read';
import type { Finding } from '@/core/findings/finding';
import { mendOf, mendOffered, TIDY_RULES } from '@/core/findings/rules';
import { useBrand, useMayEdit } from '@/ui/store/brand-context';
import { Choice } from '@/ui/dial';
import { useFindings } from '@/ui/asked/findings';
import { tell } from '@/ui/notices';
import { showView } from './views';
import css from './tidy.module.css';

/** Of each kind; what is mended makes room for the next. */
const SHOWN = 100;

/** Everything among the names that wants a look, with what would put it right. */
export function TidyView() {
  const { brand, run, select, theme } = useBrand((state) => ({
    brand: state.replica.brand,
    run: state.run,
    select: state.select,
    theme: state.theme,
  }));
  const mayEdit = useMayEdit();
  const findings = useFindings((state) => state.found);
  const setNaming = (choice: Naming | 'any') =>
    run({
      label: choice === 'any' ? 'Let names be as they are' : `Name in ${choice}`,
      steps: [{ do: 'brand.edit', set: { naming: choice === 'any' ? null : choice } }],
    });
  const mend = (found: readonly Finding[], label: string) => {
    const command = mendOf(brand, found, label);
    if (command) run(command);
    else tell('Nothing can be done about it at once; look at it, and decide.');
  };
  const [asking, setAsking] = useState<Asking | null>(null);
  const resolved = resolveTheme(brand, theme);
  const hexOf = ({ subject }: Finding) => {
    const [token] = subject.tokens ?? [];
    if (token !== undefined) return resolved.get(token)?.colour?.hex;
    const place = swatchesOf(brand).get(subject.swatches?.[0] ?? '');
    return place && readColour(place.swatch.value)!.hex;
  };
  const look = ({ subject }: Finding) => {
    const [token] = subject.tokens ?? [];
    const [swatch] = subject.swatches ?? [];
    if (token !== undefined) {
      showView('tokens');
      select({ token });
    } else if (swatch !== undefined) select({ swatch });
  };
  return (
    <div className={css.tidy}>
      <div className={css.naming}>
        <Choice
          label="Words within a step of a path"
          options={['any', ...NAMINGS]}
          value={brand.naming ?? 'any'}
          onChoose={(choice) => mayEdit && setNaming(choice)}
        />
        <span>
          kebab <code>text.on-header</code> camel <code>text.onHeader</code> dots <code>text.on.header</code>
        </span>
      </div>
      {findings && !TIDY_RULES.some(({ id }) => findings.some(({ rule }) => rule === id)) && (
        <p className={css.fine}>Everything has a colour, a name of its own and a use.</p>
      )}
      {TIDY_RULES.map(({ id, title, mend: mending }) => {
        const found = findings?.filter((finding) => finding.rule === id) ?? [];
        if (found.length === 0) return null;
        return (
          <section key={id} aria-label={title}>
            <div className={css.head}>
              <h2>
                {title} <small>{found.length}</small>
              </h2>
              {mending && found.filter(mending.offer).length > 1 && (
                <Button
                  size="2xs"
                  variant="outline"
                  disabled={!mayEdit}
                  onClick={() => {
                    const all = () => mend(found, `${title}: ${mending.all.toLowerCase()}`);
                    if (mending.asks) setAsking({ question: mending.asks(found), found, all });
                    else all();
                  }}
                >
                  {mending.all}
                </Button>
              )}
            </div>
            <ul>
              {found.slice(0, SHOWN).map((each) => (
                <Row
                  key={each.message}
                  finding={each}
                  hex={hexOf(each)}
                  onLook={() => look(each)}
                  onMend={(label) => mend([each], label)}
                />
              ))}
              {found.length > SHOWN && <li>and {found.length - SHOWN} more</li>}
            </ul>
          </section>
        );
      })}
      <Ask asking={asking} onDone={() => setAsking(null)} />
    </div>
  );
}

/** What goes, asked before it does. */
interface Asking {
  readonly question: string;
  readonly found: readonly Finding[];
  readonly all: () => void;
}

/** So many are named when it is asked. */
const NAMED = 12;

function Ask({ asking, onDone }: { asking: Asking | null; onDone: () => void }) {
  return (
    <Dialog.Root role="alertdialog" open={asking !== null} onOpenChange={({ open }) => !open && onDone()} size="sm">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content>
            <Dialog.Header>
              <Dialog.Title>{asking?.question}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body>
              {asking?.found
                .slice(0, NAMED)
                .map(({ data }) => data.name)
                .join(', ')}
              {asking && asking.found.length > NAMED && ` and ${asking.found.length - NAMED} more`}. One undo brings all of them
              back.
            </Dialog.Body>
            <Dialog.Footer>
              <Button size="sm" variant="outline" onClick={onDone}>
                Keep them
              </Button>
              <Button
                size="sm"
                onClick={() => {
                  asking?.all();
                  onDone();
                }}
              >
                Delete
              </Button>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}

interface RowProps {
  finding: Finding;
  hex: string | undefined;
  onLook: () => void;
  onMend: (label: string) => void;
}

/** One finding; what would put it right is made up when somebody asks for it. */
function Row({ finding, hex, onLook, onMend }: RowProps) {
  const mayEdit = useMayEdit();
  const offer = mendOffered(finding);
  return (
    <li>
      <i style={{ background: hex }} />
      <span>{finding.message}</span>
      {(finding.subject.tokens || finding.subject.swatches) && (
        <Button size="2xs" variant="ghost" onClick={onLook}>
          Show
        </Button>
      )}
      {offer && (
        <Button size="2xs" variant="outline" disabled={!mayEdit} onClick={() => onMend(offer)}>
          {offer}
        </Button>
      )}
    </li>
  );
}
