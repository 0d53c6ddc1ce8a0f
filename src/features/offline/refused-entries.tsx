'use client';

import { useEffect, useState } from 'react';
import { AsideNote } from '../session/aside-note';
import { allAside, forgetAllAside, onQueueChange, type SetAside } from '../session/queue';

/** What the server did not accept from this device, of whatever session: shown with the reason, and saved as a file. */
export function RefusedEntries() {
  const [aside, setAside] = useState<SetAside[]>([]);
  useEffect(() => {
    const read = () => void allAside().then(setAside);
    read();
    return onQueueChange(read);
  }, []);
  return <AsideNote aside={aside} onForget={() => void forgetAllAside()} />;
}
