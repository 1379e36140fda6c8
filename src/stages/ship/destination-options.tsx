import type { Destination } from '@/core/brand/document';
import { formatById } from '@/core/formats/registry';
import { useBrand, useMayEdit } from '@/ui/brand-context';
import { CommitInput } from '@/ui/commit-input';
import { tell } from '@/ui/notices';
import css from './ship.module.css';

/** The destination's name and its format's options, checked by the format's own schema. */
export function DestinationOptions({ destination }: { destination: Destination }) {
  const run = useBrand((state) => state.run);
  const mayEdit = useMayEdit();
  const format = formatById(destination.format);
  if (!format) return null;
  const names = Object.keys(format.options.shape);
  const set = (option: string, text: string) => {
    const options = { ...destination.options, [option]: text };
    const checked = format.options.safeParse(options);
    if (!checked.success) {
      tell(checked.error.issues[0]!.message);
      return false;
    }
    return run({
      label: `Set ${option} of ${destination.name}`,
      steps: [{ do: 'destination.edit', id: destination.id, set: { options } }],
    });
  };
  return (
    <div className={css.options}>
      <label>
        Name
        <CommitInput
          value={destination.name}
          disabled={!mayEdit}
          onCommit={(name) =>
            run({
              label: `Rename ${destination.name} to ${name}`,
              steps: [{ do: 'destination.edit', id: destination.id, set: { name } }],
            })
          }
        />
      </label>
      {names.map((option) => {
        const { title, description } = format.options.shape[option]!.meta() ?? {};
        return (
          <label key={option}>
            {title}
            <CommitInput
              value={String(destination.options[option] ?? '')}
              placeholder={description}
              disabled={!mayEdit}
              mono
              onCommit={(text) => set(option, text)}
            />
          </label>
        );
      })}
    </div>
  );
}
