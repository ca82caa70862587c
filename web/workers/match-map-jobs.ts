import type { ActingParts } from '#core/craft/arrow-swap.ts';
import type { MapGrid, MatchMap } from '#core/arrows/match-map.ts';
import type { MatchModel } from '#core/arrows/match-model.ts';

export type MatchMapJobs = {
  readonly matchMap: {
    readonly order: {
      readonly model: MatchModel;
      readonly build: ActingParts;
      readonly grid: MapGrid;
    };
    readonly answer: MatchMap;
  };
};
