/** What may ail a plant, in a keeper's words. */
import type { Cause } from '@zinc-pail/core';

interface CauseWords {
  name: string;
  /** what it means, one sentence */
  sense: string;
}

export const CAUSE_WORDS: Readonly<Record<Cause, CauseWords>> = {
  thirst: { name: 'Thirst', sense: 'Its reserves are used up and the mix has no water left.' },
  overwatering: { name: 'Too much water', sense: 'Its roots have had too little air; they are not lost yet.' },
  'root-rot': { name: 'Root rot', sense: 'Roots are drowning or gone; water finishes them.' },
  'stem-rot': { name: 'Stem rot', sense: 'The stem itself is going soft, from the base or from the heart.' },
  'dead-roots': {
    name: 'Dried-up roots',
    sense: 'A long drought killed its fine roots: it cannot drink what was poured since, and would drown.',
  },
  'natural-rest': { name: 'Going to rest', sense: 'This is how it goes dormant. Nothing is wrong.' },
  'natural-ageing': { name: 'Normal ageing', sense: 'Old leaves go, old stems turn to cork. Nothing is wrong.' },
  'new-leaf': { name: 'New growth', sense: 'New growth looks like this at first. Nothing is wrong.' },
  normal: { name: 'Normal', sense: 'Nothing is wrong with it.' },
  'sun-scorch': { name: 'Sunburn', sense: 'More sun than its skin was used to. The mark stays; the plant goes on.' },
  'too-dark': { name: 'Too little light', sense: 'It grows on less light than it needs, or has stopped.' },
  'cold-damage': { name: 'Cold', sense: 'A night was colder than it can take.' },
  'heat-stress': { name: 'Heat', sense: 'More heat than it can take: it shuts down until it is cooler.' },
  oedema: { name: 'Burst cells', sense: 'It took up more water than its skin could hold. It heals with a corky scar.' },
  'salt-build-up': { name: 'Salts', sense: 'Salts from water and food have built up in the pot.' },
  'hard-water': { name: 'Hard water', sense: 'Lime from the water leaves a crust and locks nutrients away.' },
  'root-bound': { name: 'Pot-bound', sense: 'Roots fill the pot and leave little room for water.' },
  'compacted-mix': { name: 'A tired mix', sense: 'The mix has collapsed and has no air left.' },
  'water-repellent-mix': { name: 'Water-repellent root ball', sense: 'The mix got so dry that water runs past it.' },
  'transplant-shock': {
    name: 'Settling in',
    sense: 'Its roots were disturbed: it needs shade, and time before water.',
  },
  underfed: { name: 'Hunger', sense: 'An old mix with no nutrients left.' },
  mealybug: { name: 'Mealybugs', sense: 'White woolly pests in axils and folds.' },
  'root-mealybug': { name: 'Root mealybugs', sense: 'White woolly pests on the roots.' },
  'spider-mite': {
    name: 'Spider mites',
    sense: 'Tiny moving dots in fine webs; they love dry air. A single spider that hunts is no mite: leave it.',
  },
  scale: { name: 'Scale', sense: 'Sap suckers under fixed brown shields.' },
  thrips: { name: 'Thrips', sense: 'Slim insects that leave silver streaks.' },
  aphid: { name: 'Aphids', sense: 'Small green or black insects crowding buds and stalks.' },
  'chewing-pest': { name: 'Something is eating it', sense: 'Snails, weevils or caterpillars, mostly by night.' },
  mildew: { name: 'Mildew', sense: 'White powder of a fungus, in still damp air.' },
  'leaf-spot': { name: 'Leaf spot', sense: 'Spots of a fungus or bacteria where leaves stayed wet.' },
};

export function causeWords(cause: string): CauseWords {
  return (
    (CAUSE_WORDS as Readonly<Record<string, CauseWords>>)[cause] ?? {
      name: 'Something else',
      sense: 'None of the causes that are known here fits.',
    }
  );
}
