// Made by `bin/console zetema:facts`. A test says when it is stale.
export const textWork = { quotes: 20, signs: 1000, formula: 4000, nested: 40 };
