import { useNavigate } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import { HelpSheet } from '../../ui/frame/Help';
import { useSite } from '../../api/site/site';

const sheets = {
  n: ['/sites/$siteId/needs', 'Needs'],
  s: ['/sites/$siteId/scan', 'Scan'],
  w: ['/sites/$siteId/worksheet', 'Worksheet'],
  c: ['/sites/$siteId/compare', 'Compare'],
  d: ['/sites/$siteId/domain', 'Domain'],
  b: ['/sites/$siteId/shelf', 'Shelf'],
  o: ['/sites/$siteId/orders', 'Orders'],
  k: ['/sites/$siteId/upkeep', 'Upkeep'],
} as const;

const storedAs = 'home-start-single-keys';

/**
 * Help on a site, with its keys: single ones work once they are switched on, while no control has the focus (WCAG
 * 2.1.4). Undo and redo have their usual keys besides.
 */
export function SiteHelp() {
  const [open, setOpen] = useState(false);
  const [single, setSingle] = useState(() => stored() === 'on');
  useKeys(single, () => setOpen(true));
  const choose = (on: boolean) => {
    setSingle(on);
    try {
      localStorage.setItem(storedAs, on ? 'on' : 'off');
    } catch {
      // Storage may be switched off: then it holds until the page is closed.
    }
  };
  return (
    <HelpSheet open={open} onOpenChange={setOpen}>
      <h3 className="mt-4 text-lg">Keys</h3>
      <label className="mt-1 flex gap-2">
        <input type="checkbox" checked={single} onChange={(event) => choose(event.target.checked)} />
        Use single keys as shortcuts, while no field, button or link has the focus
      </label>
      <table className="w-full text-left">
        <caption className="sr-only">Each key and what it does</caption>
        <tbody>
          {Object.entries(sheets).map(([key, [, name]]) => (
            <Key key={key} keys={key} does={`to ${name}`} />
          ))}
          <Key keys="1 … 8" does="to that place on the shortlist" />
          <Key keys="u" does="undo" also="Ctrl Z" />
          <Key keys="r" does="redo" also="Ctrl Shift Z" />
          <Key keys="?" does="help" />
          <Key keys="Esc" does="closes what is open" />
        </tbody>
      </table>
    </HelpSheet>
  );
}

function Key({ keys, does, also }: { keys: string; does: string; also?: string }) {
  return (
    <tr className="odd:bg-band [&>*]:px-2 [&>*]:py-0.5">
      <th scope="row" className="w-32">
        <kbd className="font-sans">{keys}</kbd>
      </th>
      <td>
        {does}
        {also && <span className="text-soft">, also {also}</span>}
      </td>
    </tr>
  );
}

function stored(): string | null {
  try {
    return localStorage.getItem(storedAs);
  } catch {
    return null;
  }
}

function useKeys(single: boolean, help: () => void) {
  const { page, changes } = useSite();
  const { change } = changes;
  const navigate = useNavigate();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target) || event.altKey || document.querySelector('[role=dialog]')) {
        return;
      }

      const key = event.key.toLowerCase();
      if (event.ctrlKey || event.metaKey) {
        if (key === 'z') {
          event.preventDefault();
          change({ kind: event.shiftKey ? 'redo' : 'undo' });
        }

        return;
      }

      if (!single || isControl(event.target)) {
        return;
      }

      const params = { siteId: page.id };
      const slip = page.shortlist[Number(key) - 1];
      if (key === '?') {
        help();
      } else if (key === 'u') {
        change({ kind: 'undo' });
      } else if (key === 'r') {
        change({ kind: 'redo' });
      } else if (slip) {
        void navigate({ to: '/sites/$siteId/worksheet', params, search: { view: slip.letter } });
      } else if (key in sheets) {
        void navigate({ to: sheets[key as keyof typeof sheets][0], params, search: { view: page.worksheet.letter } });
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [single, help, page, change, navigate]);
}

const isControl = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.matches('a, button, input, select, textarea, summary, [tabindex]');

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (/^(SELECT|TEXTAREA)$/.test(target.tagName) ||
      (target instanceof HTMLInputElement && !/^(checkbox|radio|range)$/.test(target.type)))
  );
}
