import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sessionQuery } from '../../api/wire/queries';
import { Button } from '../Button';
import { Announced } from '../said/Announced';

/** Said once, where this browser was here before and its cookie cannot be read any more. */
export function LostWork() {
  const lost = useQuery(sessionQuery).data?.isLost ?? false;
  const [read, setRead] = useState(false);
  return lost && !read ? (
    <Announced as="div" className="border-red text-red mt-3 flex flex-wrap gap-x-4 border-l-2 py-1 pl-3">
      <span>
        What this browser did here before cannot be opened: the data folder has other keys now. You begin anew; should
        the old folder come back, so does your work.
      </span>
      <Button look="text" onClick={() => setRead(true)}>
        Close
      </Button>
    </Announced>
  ) : null;
}
