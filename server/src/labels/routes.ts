import { object } from '@zinc-pail/contract/fields';
import { LABELS_A_SHEET, MOST_LABELS } from '@zinc-pail/contract/limits';
import Joi from 'joi';
import type { App } from '../context.ts';
import { route, type Route, SENT } from '../http/route.ts';
import { cardsById } from '../plants/store.ts';
import { drawLabels } from './labelClerk.ts';

const IDS = new RegExp(`^[1-9]\\d{0,9}(,[1-9]\\d{0,9}){0,${MOST_LABELS - 1}}$`);
const query = object<{ ids: string; skip: number }>(
  {
    ids: Joi.string()
      .pattern(IDS)
      .required()
      .messages({ '*': `ids of 1 to ${MOST_LABELS} plants with commas between` }),
    skip: Joi.number()
      .integer()
      .min(0)
      .max(LABELS_A_SHEET - 1)
      .default(0)
      .messages({ '*': `the number of labels already gone from the sheet, 0 to ${LABELS_A_SHEET - 1}` }),
  },
  'ids and how many labels to skip',
);

export function labelRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/labels.pdf',
      does: 'A sheet of labels: the name by the rules, the number, and a code that opens the plant’s page.',
      query,
      answer: { media: 'application/pdf' },
      async handle({ query: { ids: text, skip }, request, response }) {
        const ids = text.split(',').map(Number);
        const cards = new Map((await cardsById(app.pool, ids)).map((card) => [card.id, card]));
        response.type('application/pdf').set('Content-Disposition', 'inline; filename="labels.pdf"');
        await drawLabels(response, app.workerFile, {
          plants: ids.flatMap((id) => {
            const card = cards.get(id);
            return card ? [{ id, name: card.name, number: card.number }] : [];
          }),
          skip,
          base: `${request.protocol}://${request.get('host')}`,
        });
        return SENT;
      },
    }),
  ];
}
