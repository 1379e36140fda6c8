import { useState } from 'react';
import { Choice, Dial } from '@/ui/dial';
import { ChartSeen, InterfaceSeen } from './in-use-seen';
import { PaletteSeen } from './palette-seen';
import { PictureSeen } from './picture-seen';
import css from './vision.module.css';

const WHAT = { palette: PaletteSeen, chart: ChartSeen, interface: InterfaceSeen, picture: PictureSeen } as const;
const CHOICES = ['palette', 'chart', 'interface', 'picture'] as const;

/** The palette, a chart, the interface, or one's own picture, side by side as other eyes see it. */
export function VisionView() {
  const [what, setWhat] = useState<keyof typeof WHAT>('palette');
  const [severity, setSeverity] = useState(1);
  const Seen = WHAT[what];
  return (
    <div className={css.vision}>
      <div className={css.choices}>
        <Choice label="What is looked at" plain options={CHOICES} value={what} onChoose={setWhat} />
        <div className={css.severity}>
          <Dial
            label="How much the cone lacks"
            shown={severity === 1 ? 'wholly' : `${Math.round(severity * 100)} %`}
            value={severity}
            min={0}
            max={1}
            step={0.05}
            onMove={setSeverity}
          />
        </div>
        <p>
          A cone that is wholly missing is shown by the method of Brettel, Viénot and Mollon (1997), a weak one by that of
          Machado, Oliveira and Fernandes (2009).
        </p>
      </div>
      <Seen severity={severity} />
    </div>
  );
}
