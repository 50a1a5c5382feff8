// Made by `bin/console zetema:facts`. A test says when it is stale.
import type { Kinds, Outcomes, Settings } from './facts';
import type { Schema } from '../api/client';

export const kinds: Kinds = {
  "one": {"names":["one","multiple choice"],"line":"answer","how":"Choose one.","stemHint":"What is asked","rules":["whole","weighed"],"settings":["shuffle","layout"],"defaults":{},"isJudged":true,"isPartly":false,"isStatement":false,"empty":{"v":1,"kind":"one","stem":"","choices":[{"id":1,"text":"","key":true},{"id":2,"text":"","key":false},{"id":3,"text":"","key":false},{"id":4,"text":"","key":false}]}},
  "several": {"names":["several","multiple response"],"line":"answer","how":"Choose all that fit.","stemHint":"What is asked","rules":["whole","parts","each","weighed"],"settings":["shuffle","layout","choose","wrong part costs"],"defaults":{"wrong part costs":"1"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"several","stem":"","choices":[{"id":1,"text":"","key":true},{"id":2,"text":"","key":false},{"id":3,"text":"","key":false},{"id":4,"text":"","key":false}]}},
  "claim": {"names":["claim","true or false"],"line":"answer","how":"Does this hold?","stemHint":"A statement that is true or false","rules":["whole","weighed"],"settings":["shuffle","layout"],"defaults":{},"isJudged":true,"isPartly":false,"isStatement":true,"empty":{"v":1,"kind":"claim","stem":"","choices":[{"id":1,"text":"true","key":true},{"id":2,"text":"false","key":false}]}},
  "number": {"names":["number","numeric"],"line":"answer","how":"Type a number.","stemHint":"What is asked","rules":["whole"],"settings":["unit","figures"],"defaults":{},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"number","stem":"","spans":[{"span":""}]}},
  "text": {"names":["text","short text"],"line":"answer","how":"Type your answer.","stemHint":"What is asked","rules":["whole"],"settings":["ignore","typos"],"defaults":{},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"text","stem":"","wordings":[{"text":""}]}},
  "gaps": {"names":["gaps","gap fill"],"line":"gap","how":"Fill in what is missing.","stemHint":"A sentence with gaps; mark a word and press Ctrl G","rules":["whole","parts","weighed"],"settings":["ignore","typos","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"gaps","stem":"","gaps":[],"settings":{"marking":"parts"}}},
  "pairs": {"names":["pairs","matching"],"line":"pair","how":"Give each what belongs to it.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["shuffle","layout","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"pairs","stem":"","pairs":[{"id":1,"text":"","with":"","belongs":["1"]},{"id":2,"text":"","with":"","belongs":["2"]},{"id":3,"text":"","with":"","belongs":["3"]}],"spares":[],"settings":{"marking":"parts"}}},
  "groups": {"names":["groups","sorting into groups"],"line":"item","how":"Put each into its group.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["shuffle","layout","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"groups","stem":"","groups":["",""],"items":[{"id":1,"text":"","belongs":["1"]},{"id":2,"text":"","belongs":["1"]}],"settings":{"marking":"parts"}}},
  "order": {"names":["order","ordering"],"line":"item","how":"Put them in order: drag, or press up and down.","stemHint":"What is asked","rules":["whole","parts by place","parts by neighbour"],"settings":["layout"],"defaults":{},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"order","stem":"","items":[{"id":1,"text":""},{"id":2,"text":""},{"id":3,"text":""}],"settings":{"marking":"parts by neighbour"}}},
  "regions": {"names":["regions","hotspot"],"line":"area","how":"Click into the picture.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["clicks","areas","wrong part costs"],"defaults":{"wrong part costs":"1"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"regions","stem":"","picture":{"file":"","shows":""},"regions":[]}},
  "place": {"names":["place","labels on a picture"],"line":"label","how":"Put the labels onto the picture: press a label, then its spot.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["shuffle","layout","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"place","stem":"","picture":{"file":"","shows":""},"spots":[],"labels":[{"id":1,"text":"","belongs":["1"]}],"settings":{"marking":"parts"}}},
  "rating": {"names":["rating","a scale"],"line":"answer","how":"Choose a value.","stemHint":"What is asked","rules":["whole"],"settings":[],"defaults":{},"isJudged":false,"isPartly":false,"isStatement":false,"empty":{"v":1,"kind":"rating","stem":"","from":1,"to":5,"ends":["",""],"tallies":[]}},
};

export const settings: Settings = {
  "points": {"house":"1","words":[]},
  "graded": {"house":"yes","words":["yes","no"]},
  "key": {"house":null,"words":["none"]},
  "marking": {"house":"whole","words":["whole","parts","parts by place","parts by neighbour","each","weighed"]},
  "wrong part costs": {"house":null,"words":[]},
  "wrong costs": {"house":"0","words":[]},
  "blank costs": {"house":"0","words":[]},
  "hint costs": {"house":"0","words":[]},
  "attempts": {"house":"1","words":[]},
  "attempt costs": {"house":"0","words":[]},
  "stands": {"house":"last","words":["last","best"]},
  "floor": {"house":"none","words":[]},
  "late": {"house":"wrong","words":["wrong","blank","marks"]},
  "time": {"house":null,"words":[]},
  "shuffle": {"house":"no","words":["yes","no"]},
  "choose": {"house":"any","words":[]},
  "clicks": {"house":"1","words":[]},
  "areas": {"house":"hidden","words":["hidden","outlined","outlined after checking"]},
  "ignore": {"house":"case","words":[]},
  "typos": {"house":"0","words":[]},
  "unit": {"house":null,"words":[]},
  "figures": {"house":null,"words":[]},
  "decimals": {"house":"2","words":[]},
  "refresher": {"house":null,"words":[]},
  "layout": {"house":null,"words":["column","two columns","row","list"]},
  "how": {"house":null,"words":[]},
};

export const houseWords: Outcomes = {
  "right": "Right: all points.",
  "partly right": "Partly right: so many points.",
  "wrong": "Wrong.",
  "unanswered": "Left blank.",
  "out of time": "Time ran out.",
  "recorded": "Recorded.",
};

export const outcomes: Schema['Outcome'][] = ["right","partly right","wrong","unanswered","out of time","recorded"];

export const statuses: Schema['Status'][] = ["draft","in review","cleared","retired"];

export const difficulties: NonNullable<Schema['AnyContent']['difficulty']>[] = ["easy","medium","hard"];

export const rungs: Schema['Rung'][] = ["nothing","passed or not","total","objectives","own paper","marked paper","marked paper with key and feedback"];

export const largest: { picture: number; soundOrFilm: number; text: number } = {
  "picture": 8000000,
  "soundOrFilm": 30000000,
  "text": 4000000,
};
