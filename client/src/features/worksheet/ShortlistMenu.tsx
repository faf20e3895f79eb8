import { useNavigate } from '@tanstack/react-router';
import { useChangeForm } from '../../api/site/changeForm';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { InkPopover } from '../../ui/sheets/Popover';
import { useSite } from '../../api/site/site';

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
      <InkPopover words={`Edit ${letter}`} label={`Edit ${letter}: rename, move or remove it`}>
        {(close) => <Arrange key={letter} close={close} />}
      </InkPopover>
    </div>
  );
}

function useLook() {
  const { page } = useSite();
  const navigate = useNavigate();
  return (view: string | undefined) =>
    navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view } });
}

function Arrange({ close }: { close: () => void }) {
  const { page, change, changes } = useSite();
  const look = useLook();
  const { letter } = page.worksheet;
  const at = page.shortlist.findIndex((slip) => slip.letter === letter);
  const { field, submit } = useChangeForm(
    { name: page.shortlist[at]?.name ?? '' },
    ({ name }) => ({ kind: 'rename-candidate', letter, name }),
    close,
  );

  // The one in hand stays in hand, wherever it stands. The change does not wait for the way there: that may be
  // overtaken.
  const move = (by: number) => {
    void look(letter);
    change({ kind: 'move-candidate', letter, by });
  };

  const remove = async () => {
    close();
    const after = await changes.changeAsync({ kind: 'remove-candidate', letter }).catch(() => null);
    await (after && look(page.shortlist[at === 0 ? 1 : at - 1]?.letter));
  };

  return (
    <div className="flex flex-col gap-4">
      <form onSubmit={submit} className="flex items-end gap-2">
        <TextField label={`Your name for ${letter}`} placeholder="none: what it is" maxLength={40} {...field('name')} />
        <Button type="submit">Name it</Button>
      </form>
      <div className="flex flex-wrap gap-4" role="group" aria-label={`Place of ${letter} on the shortlist`}>
        <Button look="text" disabled={at <= 0} onClick={() => move(-1)}>
          One place earlier
        </Button>
        <Button look="text" disabled={at >= page.shortlist.length - 1} onClick={() => move(1)}>
          One place later
        </Button>
      </div>
      {page.shortlist.length > 1 && (
        <Button look="text" className="self-start" onClick={() => void remove()}>
          Remove {letter}
        </Button>
      )}
    </div>
  );
}
