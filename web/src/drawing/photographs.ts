import { useCallback } from 'react';
import { useRemembered } from '../parts/remembered.ts';

/** Whether photographs stand in the pots where there are some: this device's choice. */
export function usePhotographs(): [boolean, (wanted: boolean) => void] {
  const [chosen, keep] = useRemembered('photographs');
  const choose = useCallback((wanted: boolean) => keep(wanted ? 'yes' : 'no'), [keep]);
  return [chosen === 'yes', choose];
}
