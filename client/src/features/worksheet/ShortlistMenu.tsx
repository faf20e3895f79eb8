import { Button } from '../../ui/Button';
import { InkPopover } from '../../ui/sheets/Popover';
import { useSite } from '../../api/site/site';
import { useLook } from './useLook';

/** Adding and copying lead to the candidate that is then in hand; the rest is done to the one in hand. */
export function ShortlistMenu() {
  const { page, changes } = useSite();
  const look = useLook();
  const { letter } = page.worksheet;

  const add = async (copyOf: string | null) => {
    const after = await changes.changeAsync({ kind: 'add-candidate', copyOf }).catch(() => null);
    await (after && look(after.shortlist.at(-1)?.letter));
  };

  return (
    <div className="no-print flex gap-x-3 text-[13px]">
      <Button look="text" onClick={() => void add(null)}>
        Add one
      </Button>
      <Button look="text" onClick={() => void add(letter)}>
        Copy {letter}
      </Button>
      <InkPopover
        words={`Edit ${letter}`}
        label={`Edit ${letter}: rename, move or remove it`}
        inside={() => import('./ArrangeSheet')}
      />
    </div>
  );
}
