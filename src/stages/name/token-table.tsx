import { useVirtualizer } from '@tanstack/react-virtual';
import { memo, useRef, useState } from 'react';
import type { Theme, Token, TokenValue } from '@/core/brand/document';
import { resolveTheme, trailOf, type Resolved } from '@/core/brand/resolve';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { setValue } from './token-edits';
import { ValuePicker } from './value-picker';
import css from './name.module.css';

/** Tokens down, themes across. A cell shows the colour and where it comes from; a click or Enter changes it. */
export function TokenTable({ tokens, chosen }: { tokens: readonly Token[]; chosen: string | null }) {
  const { brand, run, select } = useBrand((state) => ({ brand: state.brand, run: state.run, select: state.select }));
  const mayEdit = useMayEdit();
  const [editing, setEditing] = useState<string | null>(null);
  const scroller = useRef<HTMLDivElement>(null);
  // eslint-disable-next-line react-hooks/incompatible-library -- the virtualiser keeps its own state and is never memoised
  const rows = useVirtualizer({
    count: tokens.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => 36,
    overscan: 8,
  });
  const resolved = brand.themes.map((theme) => resolveTheme(brand, theme.id));
  const template = { gridTemplateColumns: `minmax(180px, 1.1fr) 70px repeat(${brand.themes.length}, minmax(150px, 1.4fr))` };
  return (
    <div className={css.table} role="table" aria-label="Tokens">
      <div className={css.headRow} style={template} role="row">
        <span role="columnheader">Token</span>
        <span role="columnheader">Role</span>
        {brand.themes.map((theme) => (
          <ThemeHead key={theme.id} theme={theme} />
        ))}
      </div>
      <div ref={scroller} className={css.body}>
        <div style={{ height: rows.getTotalSize(), position: 'relative' }} role="rowgroup">
          {rows.getVirtualItems().map((row) => {
            const token = tokens[row.index]!;
            return (
              <div
                key={token.id}
                role="row"
                className={css.row}
                style={{ ...template, top: row.start }}
                aria-selected={token.id === chosen}
                data-token={token.path}
              >
                <button role="cell" className={css.path} onClick={() => select({ token: token.id })}>
                  <code>{token.path}</code>
                </button>
                <span role="cell" className={css.role}>
                  {token.role}
                </span>
                {brand.themes.map((theme, at) => {
                  const cell = `${token.id}/${theme.id}`;
                  return (
                    <div role="cell" key={theme.id} className={css.cell}>
                      {editing === cell ? (
                        <ValuePicker
                          theme={theme.id}
                          label={`${token.path} in ${theme.name}`}
                          autoFocus
                          onPick={(value: TokenValue) => {
                            run(setValue(token, theme.id, value));
                            setEditing(null);
                          }}
                          onClose={() => setEditing(null)}
                        />
                      ) : (
                        <ValueCell
                          resolved={resolved[at]!.get(token.id)!}
                          value={token.values[theme.id]}
                          label={`${token.path} in ${theme.name}`}
                          disabled={!mayEdit}
                          onEdit={() => {
                            select({ token: token.id });
                            setEditing(cell);
                          }}
                        />
                      )}
                    </div>
                  );
                })}
              </div>
            );
          })}
        </div>
      </div>
      {tokens.length === 0 && <p className={css.none}>No token fits the filter.</p>}
    </div>
  );
}

interface ValueCellProps {
  resolved: Resolved;
  value: TokenValue | undefined;
  label: string;
  disabled: boolean;
  onEdit: () => void;
}

const ValueCell = memo(
  function ValueCell({ resolved: { colour, trail }, value, label, disabled, onEdit }: ValueCellProps) {
    const kind = !value ? '' : 'token' in value ? '→' : 'swatch' in value ? '▪' : '=';
    return (
      <button
        className={css.value}
        onClick={onEdit}
        disabled={disabled}
        aria-label={`${label}: ${trail[1] ?? 'no colour'}`}
        title={trail.slice(1).join(' → ')}
      >
        {colour ? <i style={{ background: colour.hex }} /> : <i className={css.missing} />}
        <span className={css.kind}>{kind}</span>
        <span className={css.target}>{trail[1] ?? 'no colour'}</span>
      </button>
    );
  },
  (one, two) =>
    one.resolved.colour === two.resolved.colour &&
    one.value === two.value &&
    one.resolved.trail.join() === two.resolved.trail.join() &&
    one.disabled === two.disabled,
);

function ThemeHead({ theme }: { theme: Theme }) {
  const { run, only } = useBrand((state) => ({ run: state.run, only: state.brand.themes.length === 1 }));
  const mayEdit = useMayEdit();
  const edit = (name: string) =>
    run({ label: `Rename ${theme.name} to ${name}`, steps: [{ do: 'theme.edit', id: theme.id, set: { name } }] });
  return (
    <span role="columnheader" className={css.themeHead}>
      <CommitInput
        look="plain"
        label={`Name of the theme ${theme.name}`}
        value={theme.name}
        disabled={!mayEdit}
        onCommit={edit}
      />
      {!only && mayEdit && (
        <button
          title={`Delete ${theme.name}`}
          aria-label={`Delete ${theme.name}`}
          onClick={() => run({ label: `Delete ${theme.name}`, steps: [{ do: 'theme.remove', id: theme.id }] })}
        >
          ×
        </button>
      )}
    </span>
  );
}
