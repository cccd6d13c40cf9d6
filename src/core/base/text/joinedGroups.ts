/** Things that are joined two by two, in groups. */
export type JoinedGroups = {
  join: (a: string, b: string) => void;
  /** The one that stands for a group: the same for all that are joined. */
  of: (id: string) => string;
};

/** Groups that grow as pairs are joined; what was never joined is a group of its own. */
export function joinedGroups(): JoinedGroups {
  const group = new Map<string, string>();
  const of = (id: string): string => {
    const at = group.get(id) ?? id;
    if (at === id) return id;
    const top = of(at);
    group.set(id, top);
    return top;
  };
  return { of, join: (a, b) => void group.set(of(a), of(b)) };
}
