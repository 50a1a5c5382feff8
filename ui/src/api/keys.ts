/** Under which keys what was asked for is kept. With fewer parts a key stands for all that begin with them. */
const under =
  <Part>(name: string) =>
  (...parts: Part[]): (string | Part)[] => [name, ...parts];

type Filter = Record<string, unknown>;

export const keys = {
  me: under<never>('me'),
  mine: under<never>('mine'),
  banks: under<never>('banks'),
  slowedLogIns: under<never>('slowed-log-ins'),
  bankSettings: under<number>('bank-settings'),
  batches: under<number>('batches'),
  alike: under<number | string>('alike'),
  beside: under<number>('beside'),
  board: under<number | string>('board'),
  changes: under<number | string>('changes'),
  saves: under<number | string>('saves'),
  missingOut: under<number | string>('missing-out'),
  blueprints: under<number | string>('blueprints'),
  blueprint: under<number | undefined>('blueprint'),
  admission: under<number>('admission'),
  groups: under<never>('groups'),
  edition: under<number | string | undefined>('edition'),
  form: under<number>('form'),
  differing: under<number>('differing'),
  houseRules: under<never>('house-rules'),
  found: under<number | string>('found'),
  intake: under<number | string>('intake'),
  job: under<number | undefined>('job'),
  jobs: under<number>('jobs'),
  mappings: under<never>('mappings'),
  manyPreview: under<number | string>('many-preview'),
  media: under<number>('media'),
  pages: under<number>('pages'),
  pools: under<number>('pools'),
  proofreading: under<number | string | null>('proofreading'),
  questions: under<number | string | Filter>('questions'),
  question: under<number>('question'),
  asSeen: under<number | string | null>('as-seen'),
  guess: under<number>('guess'),
  guessing: under<number>('guessing'),
  here: under<number>('here'),
  revision: under<number>('revision'),
  scores: under<number | boolean>('scores'),
  review: under<number>('review'),
  sitting: under<number>('sitting'),
};
