import type {
  ChoiceWeights,
  MatchedSet,
  SpreadCosts,
  WeighedShaft,
} from '#core/arrows/matched-set.ts';

export type MatchedSetJobs = {
  readonly matchedSet: {
    readonly order: {
      readonly lot: readonly WeighedShaft[];
      readonly count: number;
      readonly costs: SpreadCosts;
      readonly weights: ChoiceWeights;
    };
    readonly answer: MatchedSet;
  };
};
