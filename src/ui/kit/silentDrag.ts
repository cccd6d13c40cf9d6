const unsaid = () => undefined;

/** Who picks up and drops says so in its own words: the package would name things by their ids. */
export const SILENT = { onDragStart: unsaid, onDragOver: unsaid, onDragEnd: unsaid, onDragCancel: unsaid };
