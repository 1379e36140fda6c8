import { Tabs } from '@chakra-ui/react';
import { useEffect } from 'react';
import { create } from 'zustand';
import { TOOL_KEYS } from '@/ui/keys/keys';
import { isTyping } from '@/ui/keys/typing';
import { Tune } from '../tune';
import { AdjustTool } from './adjust-tool';
import { HarmonyTool } from './harmony-tool';
import { NeutralsTool } from './neutrals-tool';
import { RampTool } from './ramp-tool';
import { ReduceTool } from './reduce-tool';
import { SeriesTool } from './series-tool';
import { SettleTool } from './settle-tool';
import { ShadesTool } from './shades-tool';
import { TerminalTool } from './terminal-tool';
import type { ToolProps } from './tool';
import css from './tools.module.css';

/** What palettes are shaped with. */
const TOOLS = [
  { id: 'tune', label: 'Tune', Tool: TuneTool },
  { id: 'ramp', label: 'Ramp', Tool: RampTool },
  { id: 'shades', label: 'Shades', Tool: ShadesTool },
  { id: 'neutrals', label: 'Neutrals', Tool: NeutralsTool },
  { id: 'series', label: 'Series', Tool: SeriesTool },
  { id: 'harmony', label: 'Harmony', Tool: HarmonyTool },
  { id: 'settle', label: 'Settle', Tool: SettleTool },
  { id: 'adjust', label: 'Adjust', Tool: AdjustTool },
  { id: 'reduce', label: 'Reduce', Tool: ReduceTool },
  { id: 'terminal', label: 'Terminal', Tool: TerminalTool },
] as const;

type ToolId = keyof typeof TOOL_KEYS;

/** The tool in use stays in use when another palette or stage is gone to. */
const useTool = create<{ readonly tool: ToolId }>()(() => ({ tool: 'tune' }));

export function Toolbox(props: ToolProps) {
  const { tool } = useTool();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return;
      const found = TOOLS.find(({ id }) => TOOL_KEYS[id].toLowerCase() === event.key.toLowerCase());
      if (found) useTool.setState({ tool: found.id });
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Tabs.Root
      value={tool}
      onValueChange={({ value }) => useTool.setState({ tool: value as ToolId })}
      variant="plain"
      size="sm"
      lazyMount
      unmountOnExit
      className={css.toolbox}
    >
      <Tabs.List className={css.tabs} aria-label="Tools">
        {TOOLS.map(({ id, label }) => (
          <Tabs.Trigger
            key={id}
            value={id}
            title={`${label}: key ${TOOL_KEYS[id]}`}
            aria-keyshortcuts={TOOL_KEYS[id]}
            className={css.tab}
          >
            {label}
          </Tabs.Trigger>
        ))}
      </Tabs.List>
      {TOOLS.map(({ id, Tool }) => (
        <Tabs.Content key={id} value={id} className={css.content}>
          {/* Another palette starts with the tool's own settings; another swatch of it goes on with those. */}
          <Tool key={props.palette.id} {...props} />
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

function TuneTool({ palette, chosen }: ToolProps) {
  if (chosen.lead) return <Tune key={chosen.lead.id} swatch={chosen.lead} />;
  const words = palette.swatches.length > 0 ? 'Choose a swatch to tune it; drag to reorder.' : 'There is no swatch to tune yet.';
  return <p className={css.note}>{words}</p>;
}
