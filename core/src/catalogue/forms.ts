/** How plants are built: one row with what is asked of a form again and again. What hangs on it by figures stands with the rule. */

interface FormRow {
  /** a stem without leaves: its skin is what shows */
  bare: boolean;
  /** its store is a woody or fleshy stem, which spends itself slowly */
  stem: boolean;
  /** it rests without leaves, on what lies in or near the ground */
  leafless: boolean;
  /** one body, no shoots of its own to choose between */
  single: boolean;
  /** its width is that of its body: shoots that hang over say nothing of the roots */
  body: boolean;
  /** a piece of it can be taken and rooted */
  cuttable: boolean;
}

const ROWS = {
  globe: { bare: true, stem: true, leafless: false, single: true, body: true, cuttable: false },
  column: { bare: true, stem: true, leafless: false, single: false, body: true, cuttable: true },
  pad: { bare: true, stem: true, leafless: false, single: false, body: false, cuttable: true },
  rosette: { bare: false, stem: false, leafless: false, single: true, body: true, cuttable: true },
  stemmed: { bare: false, stem: false, leafless: false, single: false, body: false, cuttable: true },
  trailing: { bare: false, stem: false, leafless: false, single: false, body: false, cuttable: true },
  caudex: { bare: false, stem: true, leafless: true, single: false, body: true, cuttable: false },
  bulb: { bare: false, stem: false, leafless: true, single: false, body: true, cuttable: false },
  stemless: { bare: false, stem: false, leafless: false, single: true, body: true, cuttable: false },
  'stiff-leaf': { bare: false, stem: false, leafless: false, single: false, body: true, cuttable: false },
} satisfies Record<string, FormRow>;

export type Form = keyof typeof ROWS;
export const FORMS = Object.keys(ROWS) as Form[];
export const FORM_TABLE: Readonly<Record<Form, FormRow>> = ROWS;
