import { useEffect, useState } from 'react';
import type { PersonCard } from '#contract/session.ts';
import { peopleHere } from './device-keys.ts';

/** People who can take over on this device without the server; read while it is wanted. */
export function usePeopleHere(wanted: boolean): PersonCard[] {
  const [people, setPeople] = useState<PersonCard[]>([]);
  useEffect(() => {
    if (!wanted) return undefined;
    let current = true;
    peopleHere()
      .then((found) => current && setPeople(found))
      .catch((_error: unknown) => {});
    return () => {
      current = false;
    };
  }, [wanted]);
  return people;
}
