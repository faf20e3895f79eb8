import { useEffect } from 'react';
import { Button } from '../../ui/Button';
import { useSite } from '../site/SiteContext';

/** One change back, one change on; also by Ctrl Z and Ctrl Shift Z outside a field. */
export function UndoRedo() {
  const { page, changes } = useSite();
  const { change } = changes;

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName);
      if (!typing && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        change({ kind: event.shiftKey ? 'redo' : 'undo' });
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [change]);

  return (
    <p className="my-3 flex gap-3.5 text-[13.5px]">
      <Button look="text" disabled={!page.canUndo} onClick={() => change({ kind: 'undo' })}>
        Undo
      </Button>
      <Button look="text" disabled={!page.canRedo} onClick={() => change({ kind: 'redo' })}>
        Redo
      </Button>
    </p>
  );
}
