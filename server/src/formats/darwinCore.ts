/**
 * A collection in Darwin Core terms (Darwin Core quick reference guide, dwc.tdwg.org/terms): one living specimen a row.
 */
import { nameParts } from '@zinc-pail/core';

export interface Specimen {
  ref: string;
  number: string;
  name: string;
  name_sure: string;
  other_names: string | null;
  provenance: string | null;
  acquired_on: string | null;
  source: string | null;
  ended: string | null;
  ended_on: string | null;
}

const RANKS: Record<string, string> = {
  'subsp.': 'subspecies',
  'ssp.': 'subspecies',
  'var.': 'variety',
  'f.': 'form',
  'fa.': 'form',
};
const QUALIFIERS = /\b(cf\.|aff\.)/;

export function darwinCore(specimen: Specimen, collection: string): Record<string, string> {
  const botanical = specimen.name.split(',')[0]!.replaceAll(/[‘'][^’']*[’']/g, ' ');
  const words = botanical
    .split(/\s+/)
    .filter((word) => word !== '' && word !== '×' && word !== 'x' && word !== 'cf.' && word !== 'aff.');
  const [genus = '', second = ''] = words;
  const rankAt = words.findIndex((word) => word in RANKS);
  const epithet =
    /^[a-z-]+$/.test(second) && !(second in RANKS) && second !== 'sp.' && second !== 'hybrid' ? second : '';
  const infra = rankAt > 0 ? (words[rankAt + 1] ?? '') : '';
  const cultivar =
    nameParts(specimen.name)
      .find((part) => part.text.startsWith('‘'))
      ?.text.replaceAll(/[‘’]/g, '') ?? '';
  return {
    materialEntityID: `${collection}:${specimen.ref}`,
    basisOfRecord: 'LivingSpecimen',
    collectionCode: collection,
    catalogNumber: specimen.number,
    verbatimIdentification: specimen.name,
    scientificName: [genus, epithet, ...(rankAt > 0 ? [words[rankAt]!, infra] : [])].filter(Boolean).join(' '),
    genus,
    specificEpithet: epithet,
    infraspecificEpithet: infra,
    cultivarEpithet: cultivar,
    taxonRank: infra ? RANKS[words[rankAt]!]! : epithet ? 'species' : 'genus',
    identificationQualifier:
      QUALIFIERS.exec(specimen.name)?.[1] ??
      (specimen.name_sure === 'sure' ? '' : specimen.name_sure === 'likely' ? 'probably' : 'not determined'),
    vernacularName: specimen.other_names ?? '',
    eventDate: specimen.acquired_on ?? '',
    locality: specimen.provenance ?? '',
    degreeOfEstablishment: 'cultivated',
    pathway: specimen.source ?? '',
    disposition: specimen.ended === null ? 'in collection' : specimen.ended === 'died' ? 'dead' : 'given away',
    kingdom: 'Plantae',
  };
}
