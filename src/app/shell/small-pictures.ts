/** Small pictures of many plans: one worker of its own lays them one after the other, those that come into sight first. */
import { useEffect, useMemo } from 'react';
import type { PlanDocument } from '../../model/plan.ts';
import { planInputs } from '../../model/to-inputs.ts';
import { startClient } from '../ask/clients.ts';
import { drawSmall } from '../head-view/small-picture.ts';

/** Coarse is enough for a small picture. */
const SMALL_HEAD = 16;

export interface Wanted {
  readonly plan: PlanDocument;
  readonly of: 'base' | 'rows';
}

class SmallPictures {
  private readonly waiting = new Map<HTMLCanvasElement, Wanted>();
  private client: ReturnType<typeof startClient> | undefined;
  private isBusy = false;

  want(canvas: HTMLCanvasElement, wanted: Wanted) {
    this.waiting.set(canvas, wanted);
    void this.draw();
  }

  forget(canvas: HTMLCanvasElement) {
    this.waiting.delete(canvas);
  }

  /** The worker ends with the page. */
  stop() {
    this.waiting.clear();
    this.client?.stop();
    this.client = undefined;
  }

  private async draw() {
    if (this.isBusy) return;
    this.isBusy = true;
    for (let next = [...this.waiting][0]; next; next = [...this.waiting][0]) {
      const [canvas, { plan, of }] = next;
      this.waiting.delete(canvas);
      this.client ??= startClient();
      const outcome = await this.client.call('plan', planInputs(plan, SMALL_HEAD));
      // What can't be laid has no picture; its name says enough.
      if (outcome.state !== 'done') continue;
      drawSmall(canvas, outcome.value, plan.skin, of);
      canvas.dataset.drawn = 'yes';
    }
    this.isBusy = false;
  }
}

export type { SmallPictures };

export function useSmallPictures(): SmallPictures {
  const pictures = useMemo(() => new SmallPictures(), []);
  useEffect(() => () => pictures.stop(), [pictures]);
  return pictures;
}
