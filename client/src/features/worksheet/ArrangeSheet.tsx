import { useChangeForm } from '../../api/site/changeForm';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { useLook } from './useLook';

/** Renames, moves or removes the candidate in hand. */
export default function ArrangeSheet({ close }: { close: () => void }) {
  const { page } = useSite();
  return <Arrange key={page.worksheet.letter} close={close} />;
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
