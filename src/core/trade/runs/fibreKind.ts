import { FIBRES, type FibreKind } from '../../base/standards/links';

/** The fibre of a cable by its name; null where the name tells none. OM5 reaches as OM4 does at 850 nm, OS1 as OS2 indoors. */
export function fibreKindOf(cable: string): FibreKind | null {
  const plain = cable.toUpperCase().replace(/OM5/g, 'OM4').replace(/OS1/g, 'OS2');
  return FIBRES.find((one) => plain.includes(one)) ?? null;
}

export const isSingleMode = (fibre: FibreKind): boolean => fibre === 'OS2';
