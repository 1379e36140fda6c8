import { QRCodeSVG } from 'qrcode.react';
import { useSyncExternalStore } from 'react';
import { useBrand } from '@/ui/store/brand-context';
import css from './gather.module.css';

/** Names under which a machine reaches only itself. */
const OWN_NAMES = /^(?:localhost|127\.|\[::1\])/;

/** Where the phone's camera is taken from: a code that leads to this brand's camera. */
export function PhoneCode() {
  const id = useBrand((state) => state.id);
  const origin = useSyncExternalStore(
    () => () => {},
    () => location.origin,
    () => '',
  );
  if (origin === '') return null;
  const address = `${origin}/brand/${id}/gather?camera`;
  return (
    <div className={css.phone}>
      <QRCodeSVG value={address} size={112} marginSize={2} title="Code that leads to the camera" />
      <p>
        Or use your phone: scan the code, sign in as yourself there, take the picture and send its colours here.
        {OWN_NAMES.test(new URL(origin).hostname) &&
          ' This server is reached on this machine only just now; a phone needs its address in the network (docs/operations.md).'}
      </p>
    </div>
  );
}
