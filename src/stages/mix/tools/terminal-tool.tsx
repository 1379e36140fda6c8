import { Button } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { terminal } from '@/core/palette/terminal';
import { Choice, Dial } from '@/ui/dial';
import { PlaceButtons, targetsOf, ToolFrame, type ToolProps } from './tool';
import css from './tools.module.css';

const ROWS = ['Normal', 'Bright', 'Screen'] as const;
const GROUNDS = ['dark', 'light'] as const;

/** The sixteen terminal colours, ground, text and cursor from the palette's colours. Edited one by one once they are a palette. */
export function TerminalTool(props: ToolProps) {
  const { palette, chosen } = props;
  const [ground, setGround] = useState<(typeof GROUNDS)[number]>('dark');
  const [lift, setLift] = useState(0);
  const [seed, setSeed] = useState(0);
  const targets = targetsOf(props);
  const roles = useMemo(
    () => terminal({ from: targets.map(({ value }) => value), ground, seed, lift }),
    [targets, ground, seed, lift],
  );
  const of = (role: string) => roles.find((each) => each.role === role)!.value;
  const fitted = roles.slice(1, 7).filter(({ from }) => from !== null).length;
  const say = (role: string, words: string) => <span style={{ color: of(role) }}>{words}</span>;
  const prompt = (
    <>
      {say('green', 'user')} {say('blue', '~/work')} ${' '}
    </>
  );
  return (
    <ToolFrame
      title="Terminal set"
      on={
        chosen.all.length > 1
          ? `fitted to the ${chosen.all.length} chosen`
          : 'fitted to the whole palette; choose some to fit it to these'
      }
      acts={
        <PlaceButtons
          palette={palette}
          label={`${palette.name} terminal`.slice(0, 120)}
          kind="loose"
          colours={roles.map(({ role, value }) => ({ name: role.charAt(0).toUpperCase() + role.slice(1), value }))}
          rowOf={(at) => ROWS[Math.floor(at / 8)]!}
        />
      }
    >
      <div className={css.terminal}>
        <div>
          <ol className={css.sixteen} aria-label="The sixteen">
            {roles.slice(0, 16).map(({ role, value }) => (
              <li key={role} style={{ background: value }} title={`${role} ${value}`} data-role={role} data-value={value} />
            ))}
          </ol>
          <p className={css.said}>
            {fitted} of the six hues come from the palette{fitted < 6 && `, ${6 - fitted} are made to go with it`}. All six read
            on the ground at 4.5 to 1 or more, text at 7.
          </p>
          <div className={css.dials} style={{ gridTemplateColumns: '1fr 1fr' }}>
            <Choice label="Ground" options={GROUNDS} value={ground} onChoose={setGround} />
            <Dial label="Dim or lift" shown={`${lift > 0 ? '+' : ''}${lift}`} value={lift} min={-5} max={5} onMove={setLift} />
            <div>
              <Button size="2xs" variant="outline" onClick={() => setSeed(seed + 1)}>
                Shuffle
              </Button>{' '}
              <Button
                size="2xs"
                variant="outline"
                disabled={seed === 0 && lift === 0}
                onClick={() => {
                  setSeed(0);
                  setLift(0);
                }}
              >
                Best fit again
              </Button>
            </div>
          </div>
        </div>
        <div
          data-sample
          className={css.screen}
          style={{ background: of('ground'), color: of('text') }}
          aria-label="Sample screen"
        >
          {prompt}ls --long{'\n'}
          {say('bright blue', 'drafts/')} {say('bright green', 'build.sh')} notes.csv{'\n'}
          {prompt}check{'\n'}
          {say('cyan', 'reading')} 11 files {say('bright black', '# since 04:00')}
          {'\n'}
          {say('yellow', 'warning')} line 14 {say('magenta', '+12 more')}
          {'\n'}
          {say('red', 'stopped')} line 30 {say('bright red', 'error 9')}
          {'\n'}
          {say('white', 'done')} {say('bright yellow', '2 warnings')} {say('bright cyan', '0.4 s')}
          {'\n'}
          {prompt}
          <span style={{ background: of('cursor') }}> </span>
        </div>
      </div>
    </ToolFrame>
  );
}
