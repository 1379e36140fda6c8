import { Combobox, createListCollection, Dialog, Portal } from '@chakra-ui/react';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { useBrand } from '../store/brand-context';
import { request } from '../asked/request';
import { useGoTo } from '../stage-link';
import { foundHere, together, type Act, type Found, type FoundElsewhere } from './found';
import css from './search.module.css';

/** Searches everything with one key: what can be done, stages, themes, tokens, palettes, and swatches of every brand by name and by colour. */
export function SearchDialog({ acts, onClose }: { acts: readonly Act[]; onClose: () => void }) {
  const { id, brand, theme, select, choosePalette, chooseTheme } = useBrand((state) => ({
    id: state.id,
    brand: state.replica.brand,
    theme: state.theme,
    select: state.select,
    choosePalette: state.choosePalette,
    chooseTheme: state.chooseTheme,
  }));
  const goTo = useGoTo();
  const router = useRouter();
  const [typed, setTyped] = useState('');
  /** Where the arrows or the pointer went; the first of what was found, until they have gone anywhere. */
  const [moved, setMoved] = useState<string | null>(null);
  const query = useDeferredValue(typed.trim());
  const { data, isError } = useQuery({
    queryKey: ['search', id, query],
    queryFn: () =>
      request<{ swatches: FoundElsewhere[] }>(`/api/brands/${id}/search?${new URLSearchParams({ for: query }).toString()}`),
    enabled: query !== '',
    placeholderData: (earlier) => earlier,
  });
  const here = useMemo(() => foundHere(brand, theme, acts, query), [brand, theme, acts, query]);
  const items = useMemo(() => together(here, query === '' ? [] : (data?.swatches ?? []), id), [here, query, data, id]);
  const collection = useMemo(
    () => createListCollection({ items, itemToString: ({ label }) => label, itemToValue: ({ key }) => key }),
    [items],
  );
  const follow = ({ lead }: Found) => {
    onClose();
    if ('stage' in lead) goTo(lead.stage);
    else if ('act' in lead) lead.act.run();
    else if ('theme' in lead) chooseTheme(lead.theme);
    else if ('elsewhere' in lead) router.push(`/brand/${lead.elsewhere.brand}/mix#${lead.elsewhere.id}`);
    else if ('token' in lead) {
      select({ token: lead.token });
      goTo('name');
    } else {
      choosePalette(lead.palette);
      if ('swatch' in lead) select({ swatch: lead.swatch });
      goTo('mix');
    }
  };
  return (
    <Dialog.Root open onOpenChange={({ open }) => !open && onClose()} size="lg" placement="top">
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content aria-label="Search">
            <Combobox.Root
              open
              collection={collection}
              inputValue={typed}
              onInputValueChange={({ inputValue }) => {
                setTyped(inputValue);
                setMoved(null);
              }}
              highlightedValue={(items.find(({ key }) => key === moved) ?? items[0])?.key ?? null}
              onHighlightChange={({ highlightedValue }) => setMoved(highlightedValue)}
              onValueChange={({ items: [item] }) => item && follow(item)}
              value={[]}
              selectionBehavior="clear"
              closeOnSelect={false}
            >
              <Combobox.Control>
                <Combobox.Input
                  autoFocus
                  aria-label="Search"
                  placeholder="A name, a token, a stage, or a colour: #1f6f78"
                  onKeyDown={(event) => event.key === 'Escape' && onClose()}
                />
              </Combobox.Control>
              <div className={css.list}>
                <Combobox.Content className={css.content}>
                  <Combobox.Empty>Nothing fits.</Combobox.Empty>
                  {items.map((item) => (
                    <Combobox.Item key={item.key} item={item} className={css.option}>
                      <i style={item.paint === null ? {} : { background: item.paint }} />
                      <span>{item.label}</span>
                      <small>{item.about}</small>
                    </Combobox.Item>
                  ))}
                </Combobox.Content>
              </div>
              {isError && <p className={css.note}>Other brands cannot be searched just now; the server is out of reach.</p>}
            </Combobox.Root>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  );
}
