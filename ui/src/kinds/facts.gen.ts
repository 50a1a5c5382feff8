// Made by `bin/console zetema:facts`. A test says when it is stale.
import type { Kinds, Outcomes, Settings } from './facts';
import type { Schema } from '../api/client';

export const kinds: Kinds = {
  "one": {"names":["one","multiple choice"],"line":"answer","how":"Choose one.","stemHint":"What is asked","rules":["whole","weighed"],"settings":["shuffle","layout"],"defaults":{},"isJudged":true,"isPartly":false,"isStatement":false,"empty":{"v":1,"kind":"one","stem":"","choices":[{"id":1,"text":"","key":true},{"id":2,"text":"","key":false},{"id":3,"text":"","key":false},{"id":4,"text":"","key":false}]}},
  "several": {"names":["several","multiple response"],"line":"answer","how":"Choose all that fit.","stemHint":"What is asked","rules":["whole","parts","each","weighed"],"settings":["shuffle","layout","choose","wrong part costs"],"defaults":{"wrong part costs":"1"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"several","stem":"","choices":[{"id":1,"text":"","key":true},{"id":2,"text":"","key":false},{"id":3,"text":"","key":false},{"id":4,"text":"","key":false}]}},
  "claim": {"names":["claim","true or false"],"line":"answer","how":"Does this hold?","stemHint":"A statement that is true or false","rules":["whole","weighed"],"settings":["shuffle","layout"],"defaults":{},"isJudged":true,"isPartly":false,"isStatement":true,"empty":{"v":1,"kind":"claim","stem":"","choices":[{"id":1,"text":"true","key":true},{"id":2,"text":"false","key":false}]}},
  "number": {"names":["number","numeric"],"line":"answer","how":"Type a number.","stemHint":"What is asked","rules":["whole"],"settings":["unit","figures"],"defaults":{},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"number","stem":"","spans":[{"span":""}]}},
  "text": {"names":["text","short text"],"line":"answer","how":"Type your answer.","stemHint":"What is asked","rules":["whole"],"settings":["ignore","typos"],"defaults":{},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"text","stem":"","wordings":[{"text":""}]}},
  "gaps": {"names":["gaps","gap fill"],"line":"gap","how":"Fill in what is missing.","stemHint":"A sentence with gaps; mark a word and press Ctrl G","rules":["whole","parts","weighed"],"settings":["ignore","typos","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"gaps","stem":"","gaps":[]}},
  "pairs": {"names":["pairs","matching"],"line":"pair","how":"Give each what belongs to it.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["shuffle","layout","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"pairs","stem":"","pairs":[{"id":1,"text":"","with":"","belongs":["1"]},{"id":2,"text":"","with":"","belongs":["2"]},{"id":3,"text":"","with":"","belongs":["3"]}],"spares":[]}},
  "groups": {"names":["groups","sorting into groups"],"line":"item","how":"Put each into its group.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["shuffle","layout","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"groups","stem":"","groups":["",""],"items":[{"id":1,"text":"","belongs":["1"]},{"id":2,"text":"","belongs":["1"]}]}},
  "order": {"names":["order","ordering"],"line":"item","how":"Put them in order: drag, or press up and down.","stemHint":"What is asked","rules":["whole","parts by place","parts by neighbour"],"settings":["layout"],"defaults":{},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"order","stem":"","items":[{"id":1,"text":""},{"id":2,"text":""},{"id":3,"text":""}]}},
  "regions": {"names":["regions","hotspot"],"line":"area","how":"Click into the picture.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["clicks","areas","wrong part costs"],"defaults":{"wrong part costs":"1"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"regions","stem":"","picture":{"file":"","shows":""},"regions":[]}},
  "place": {"names":["place","labels on a picture"],"line":"label","how":"Put the labels onto the picture: press a label, then its spot.","stemHint":"What is asked","rules":["whole","parts","weighed"],"settings":["shuffle","layout","wrong part costs"],"defaults":{"wrong part costs":"0"},"isJudged":true,"isPartly":true,"isStatement":false,"empty":{"v":1,"kind":"place","stem":"","picture":{"file":"","shows":""},"spots":[],"labels":[{"id":1,"text":"","belongs":["1"]}]}},
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

export const meanings: Record<string, string> = {
  "whole": "All or nothing: everything is right and nothing wrong was given, or it earns nothing.",
  "parts": "Each right part earns its share of the points; wrong parts can cost some of it.",
  "parts by place": "Each item that stands in its own place earns its share of the points.",
  "parts by neighbour": "Each item that rightly follows the one before it earns its share of the points.",
  "each": "Each answer counts alike: rightly chosen, or rightly left alone.",
  "weighed": "Each answer or part has its own points, and what was given is added up.",
  "floor": "The least that this question can come to, whatever wrong answers cost; without one it can go below zero.",
  "stands": "Of several attempts one counts: the last, or the one that earned most.",
  "last": "The last attempt counts, also where an earlier one earned more.",
  "best": "The attempt that earned most counts.",
  "pinned": "It stays in this place when the answers are mixed.",
  "free": "It can stand anywhere when the answers are mixed.",
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

export const textWords: string[] = ["after","answer","answer 50 %","area yes","areas","at","attempt costs","attempts","bank","bank settings","blank costs","choose","clicks","costs","decimals","difficulty","earns","ends","every claim","every question","false","figures","floor","from attempt","gap 1","gaps","graded","group","groups","heading","hint","hint costs","how","if wrong","if wrong on attempt 1","ignore","image","item","key","label","late","layout","leads to","loses","marking","name","no","no 5","note when chosen 2","note when wrong and not chosen 2 on attempt 1","number","objective","one","order","page","pair","pairs","pattern","pattern 50 %","place","points","rating","reads","refresher","regions","says","scale","several","shows","shuffle","size","spare item","spare label","spare with","spot","stands","status","tags","tally","text","time","true","typos","unit","weight true","with","words","wrong costs","wrong part costs","yes","yes 5"];

export const templates: Record<string, string> = {
  "one": "one: {What is asked?}\n  yes: {the right answer}\n    says: {why}\n  no: {another}\n    says: {why not}\n  no: {a third}\n  no: {a fourth}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "several": "several: {Which of these …?}\n  marking: parts\n  yes: {one that is right}\n  yes: {another}\n  no: {one that is not}\n    says: {why not}\n  no: {a fourth}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "claim": "true: {A statement that is true, or false: then begin the line so.}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "number": "number: {How many?}\n  answer: {14} within {0.5}\n  unit: {kg}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "text": "text: {What is it called?}\n  answer: {its name}\n  answer 50 %: {something near}\n    says: {what is missing}\n  typos: 1\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "gaps": "gaps: {A sentence with a} ___ {and another} ___.\n  marking: parts\n  gap 1: {what is typed}\n  gap 2 yes: {what is picked}\n  gap 2 no: {another}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "pairs": "pairs: {What belongs together?}\n  marking: parts\n  pair: {one}\n  with: {its other}\n  pair: {two}\n  with: {the other of two}\n  spare with: {belongs to none}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "groups": "groups: {Where does each belong?}\n  marking: parts\n  group: {a group}\n    item: {what is in it}\n  group: {another group}\n    item: {what is in that}\n  spare item: {belongs to none}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "order": "order: {Put these in order.}\n  marking: parts by neighbour\n  item: {first}\n  item: {second}\n  item: {third}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "regions": "regions: {Click where it is.}\n  image: {picture.svg}\n    shows: {what the picture shows}\n  area yes: ellipse {100} {100} {40} {30}\n    name: {what it is}\n    says: {what is said of it}\n  area no: rectangle {10} {10} {80} {60}\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "place": "place: {Put each label where it belongs.}\n  marking: parts\n  image: {picture.svg}\n    shows: {what the picture shows}\n  spot: {100} {100} {30}\n  spot: {100} {200} {30}\n  label: {one}\n  at: 1\n  label: {two}\n  at: 2\n  hint: {what helps}\n  if wrong: {what is said then}\n",
  "rating": "rating: {How sure are you?}\n  scale: 1 to 5\n  ends: {not at all}, {completely}\n",
};

export const largest: { picture: number; soundOrFilm: number; text: number } = {
  "picture": 8000000,
  "soundOrFilm": 30000000,
  "text": 4000000,
};
