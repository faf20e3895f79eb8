import { Button } from '../../ui/Button';
import { useSite } from '../../api/site/site';

/** One change back, one change on. */
export function UndoRedo() {
  const { page, changes } = useSite();
  const { change } = changes;
  return (
    <>
      <Button look="text" disabled={!page.canUndo} onClick={() => change({ kind: 'undo' })}>
        Undo
      </Button>
      <Button look="text" disabled={!page.canRedo} onClick={() => change({ kind: 'redo' })}>
        Redo
      </Button>
    </>
  );
}
