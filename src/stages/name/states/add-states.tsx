import { Button } from '@chakra-ui/react';
import { useState } from 'react';
import { TOKEN_STATES, type StateRule } from '@/core/brand/document/token-shape';
import { newId } from '@/core/brand/document/identity';
import { tokensOf } from '@/core/brand/reading/resolve';
import { stateTokens } from '@/core/brand/tools/state-tokens';
import { useBrand, useBrandStore } from '@/ui/store/brand-context';
import { tell } from '@/ui/notices';
import { TokenField } from '@/ui/token-field/token-field';
import css from './states.module.css';

/** Makes the states of a token at rest. */
export function AddStates() {
  const store = useBrandStore();
  const { tokens, selection } = useBrand((state) => ({ tokens: state.replica.brand.tokens, selection: state.selection }));
  const [picked, setPicked] = useState<string | undefined>();
  const [surface, setSurface] = useState<string | undefined>(() => tokens.find(({ role }) => role === 'surface')?.id);
  const [text, setText] = useState<string | undefined>();
  const [states, setStates] = useState<ReadonlySet<StateRule['state']>>(new Set(TOKEN_STATES));
  // What is in the readout is the likeliest token to be given states.
  const selected = selection && 'token' in selection ? selection.token : undefined;
  const base = picked ?? (tokens.find(({ id, role, rule }) => id === selected && !rule && role !== 'text') && selected);
  const add = () => {
    const { brand, run } = store.getState();
    const token = base === undefined ? undefined : tokensOf(brand).get(base);
    if (!token) return tell('Choose the token at rest that gets states.');
    if (surface === undefined) return tell('Choose the surface around it: the states step away from it.');
    const taken = new Set(brand.tokens.map(({ path }) => path));
    const wanted = TOKEN_STATES.filter((state) => states.has(state));
    const made = stateTokens(token, surface, text, wanted, newId).filter(({ path }) => !taken.has(path));
    if (made.length === 0) return tell(`${token.path} has these states already.`);
    const at = brand.tokens.indexOf(token);
    run({
      label: `Add states to ${token.path}`,
      steps: [{ do: 'token.add', tokens: made, before: brand.tokens[at + 1]?.id ?? null }],
    });
  };
  return (
    <div className={css.add} role="group" aria-label="Add states">
      <TokenField label="Token at rest" value={base} onChoose={setPicked} />
      <span>on</span>
      <TokenField label="Surface around it" value={surface} onChoose={setSurface} />
      <span>with</span>
      <TokenField label="Text on it" value={text} none="no text" onChoose={setText} />
      <div className={css.kinds}>
        {TOKEN_STATES.map((state) => (
          <label key={state}>
            <input
              type="checkbox"
              checked={states.has(state)}
              onChange={() =>
                setStates((was) => {
                  const next = new Set(was);
                  if (!next.delete(state)) next.add(state);
                  return next;
                })
              }
            />
            {state}
          </label>
        ))}
      </div>
      <Button size="xs" disabled={states.size === 0} onClick={add}>
        Add states
      </Button>
    </div>
  );
}
