import { Field, Input } from '@chakra-ui/react';
import { useState } from 'react';
import { slug } from '@/core/base/words';
import { TokenPath } from '@/core/brand/document/token-shape';
import type { Palette, Swatch } from '@/core/brand/document/palette-shape';
import { newId } from '@/core/brand/document/identity';
import { tokensOfSwatches } from '@/core/brand/tools/tokens-of-swatches';
import { useBrand } from './store/brand-context';
import { tell } from './notices';
import { useGoTo } from './stage-link';
import { FormDialog } from './form-dialog';

interface MakeTokensProps {
  readonly palette: Palette;
  /** Those of the palette that become tokens, and what they are called together. */
  readonly swatches: readonly Swatch[];
  readonly name: string;
  readonly onClose: () => void;
}

/** Swatches as a group of tokens in one step. */
export function MakeTokens({ palette, swatches, name, onClose }: MakeTokensProps) {
  const { brand, run, select } = useBrand((state) => ({ brand: state.replica.brand, run: state.run, select: state.select }));
  const goTo = useGoTo();
  const [group, setGroup] = useState(slug(name));
  const parsed = TokenPath.safeParse(group.trim());
  const problem = parsed.success ? null : parsed.error.issues[0]!.message;
  const make = () => {
    const { command, tokens } = tokensOfSwatches(brand, palette, swatches, group.trim(), newId);
    if (!run(command)) return;
    onClose();
    select({ token: tokens[0]!.id });
    tell(`${tokens.length} ${tokens.length === 1 ? 'token' : 'tokens'} in ${group.trim()}.`);
    goTo('name');
  };
  return (
    <FormDialog
      title={`${swatches.length} ${swatches.length === 1 ? 'token' : 'tokens'} of ${name}`}
      act="Make tokens"
      disabled={problem !== null}
      onAct={make}
      onClose={onClose}
    >
      <Field.Root invalid={problem !== null}>
        <Field.Label>Group</Field.Label>
        <Input size="sm" fontFamily="mono" value={group} autoFocus onChange={({ target }) => setGroup(target.value)} />
        <Field.HelperText>
          Each is named after its swatch, such as {group.trim()}.{slug(swatches[0]!.name)}, and points at it in every theme.
        </Field.HelperText>
        <Field.ErrorText>{problem}</Field.ErrorText>
      </Field.Root>
    </FormDialog>
  );
}
