import { object, oneOf, yesNo } from '@zinc-pail/contract/fields';
import { LABEL_SIZE_NAMES, type LabelSize, labelsASheet, MOST_LABELS } from '@zinc-pail/contract/limits';
import { ruleWords } from '@zinc-pail/words/outlook';
import Joi from 'joi';
import type { App } from '../context.ts';
import { badField } from '../http/refusals.ts';
import { route, type Route, SENT } from '../http/route.ts';
import { kit } from '../keeping/store.ts';
import { placeRecords } from '../places/store.ts';
import { potsById } from '../plants/pots.ts';
import { cardsById } from '../plants/store.ts';
import { drawLabels } from './labelClerk.ts';
import type { Labelled } from './sheet.ts';

const IDS = new RegExp(`^[1-9]\\d{0,9}(,[1-9]\\d{0,9}){0,${MOST_LABELS - 1}}$`);
interface Wanted {
  ids: string;
  skip: number;
  size: LabelSize;
  bench: boolean;
  rule: boolean;
}
const query = object<Wanted>(
  {
    ids: Joi.string()
      .pattern(IDS)
      .required()
      .messages({ '*': `ids of 1 to ${MOST_LABELS} plants with commas between` }),
    skip: Joi.number()
      .integer()
      .min(0)
      .default(0)
      .messages({ '*': 'the number of labels already gone from the sheet, from 0' }),
    size: oneOf(LABEL_SIZE_NAMES).optional().default('usual'),
    bench: yesNo().optional().default(false),
    rule: yesNo().optional().default(false),
  },
  'ids, how many labels to skip, a size, and whether the bench and the rule stand on them',
);

export function labelRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/labels.pdf',
      does: 'Sheets of labels: name and number, bench and watering rule if wanted, and a code that opens the plant’s page.',
      query,
      answer: { media: 'application/pdf' },
      async handle({ query: wanted, request, response }) {
        const most = labelsASheet(wanted.size) - 1;
        if (wanted.skip > most)
          throw badField('/skip', wanted.skip, `the number of labels already gone from the sheet, 0 to ${most}`);
        const plants = await labelled(app, wanted);
        const reach = (await kit(app.pool))?.collection.reach_url;
        response.type('application/pdf').set('Content-Disposition', 'inline; filename="labels.pdf"');
        await drawLabels(response, app.workerFile, {
          plants,
          skip: wanted.skip,
          size: wanted.size,
          base: reach ?? `${request.protocol}://${request.get('host')}`,
        });
        return SENT;
      },
    }),
  ];
}

async function labelled(app: App, { ids: text, bench, rule }: Wanted): Promise<Labelled[]> {
  const ids = text.split(',').map(Number);
  const cards = new Map((await cardsById(app.pool, ids)).map((card) => [card.id, card]));
  const benches = new Map(bench ? (await placeRecords(app.pool)).map(({ id, name }) => [id, name]) : []);
  const pots = rule ? await potsById(app, ids) : null;
  return ids.flatMap((id) => {
    const card = cards.get(id);
    if (!card) return [];
    const pot = pots?.get(id)?.outlook;
    const lines = [
      ...(bench ? [benches.get(card.place_id) ?? ''] : []),
      ...(pot ? [`water when ${ruleWords(pot.due_m, pot.traits.holdDays)}`] : []),
    ];
    return [{ id, name: card.name, number: card.number, lines }];
  });
}
