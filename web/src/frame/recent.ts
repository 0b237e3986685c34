/** Plants lately looked at on this device, the last first. */
const KEY = 'zinc-recent';
const MOST = 8;

export interface Recent {
  id: number;
  name: string;
  number: string;
}

export function recentPlants(): Recent[] {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(KEY) ?? '[]');
    return Array.isArray(found) ? (found as Recent[]).slice(0, MOST) : [];
  } catch {
    return [];
  }
}

export function sawPlant(plant: Recent): void {
  localStorage.setItem(
    KEY,
    JSON.stringify([plant, ...recentPlants().filter(({ id }) => id !== plant.id)].slice(0, MOST)),
  );
}
