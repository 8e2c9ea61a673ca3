/** The stand-in shop: the same for a seed and a moment; sells no pack twice; what sold out between look and order is refused. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, describe, expect, it } from 'vitest';
import { SHELF, stockAt } from '../../demo/shop-shelves.ts';
import { readAnswer, readCatalogue } from '../../model/shop.ts';
import { createServer } from '../app.ts';
import { openShop } from './shop.ts';

const NOW = Date.UTC(2026, 11, 1, 12);
const DAY = 86_400_000;
const servers: Server[] = [];
afterAll(() => {
  for (const s of servers) s.close();
});

async function started() {
  const server = createServer({ dist: '.', demo: false, now: () => NOW }).listen(0, '127.0.0.1');
  servers.push(server);
  await new Promise((resolve) => server.once('listening', resolve));
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/shop`;
}

describe('the shop', () => {
  it('says the same at the same moment, and what it says can be read', () => {
    const said = JSON.parse(JSON.stringify(openShop(() => NOW).catalogue()));
    expect(readCatalogue(said)).toEqual({ ok: true, value: said });
    expect(JSON.parse(JSON.stringify(openShop(() => NOW).catalogue()))).toEqual(said);
    expect(new Set(SHELF.map((o) => o.id)).size).toBe(SHELF.length);
    expect(new Set(SHELF.map((o) => o.seller)).size).toBe(2);
  });

  it('sells day by day, is filled again, and never has fewer than none', () => {
    for (const i of [0, 5, 40, SHELF.length - 1]) {
      const month = Array.from({ length: 60 }, (_, d) => stockAt(i, NOW + d * DAY));
      expect(Math.min(...month)).toBeGreaterThanOrEqual(0);
      expect(new Set(month).size).toBeGreaterThan(1);
      expect(month.some((n, d) => d > 0 && n > month[d - 1])).toBe(true);
    }
    expect(SHELF.some((_, i) => stockAt(i, NOW) === 0)).toBe(true);
  });

  it('takes an order once: what is sold is gone, and the next one is told how many are left', () => {
    const shop = openShop(() => NOW);
    const offer = shop.catalogue().offers.find((o) => o.stock >= 2 && o.seller === 'loop');
    if (!offer) throw new Error('The shop has something.');
    const order = { seller: 'loop', lines: [{ offer: offer.id, packs: offer.stock }] };
    expect(shop.order(order)).toMatchObject({ taken: true, days: 2 });
    expect(shop.order(order)).toMatchObject({
      taken: false,
      soldOut: [{ offer: offer.id, packs: offer.stock, left: 0 }],
    });
    expect(shop.catalogue().offers.find((o) => o.id === offer.id)?.stock).toBe(0);
  });

  it('counts bundles and delivery as it says them', () => {
    const shop = openShop(() => NOW);
    const { sellers, offers } = shop.catalogue();
    for (const seller of sellers) {
      const offer = offers.find((o) => o.seller === seller.id && o.multi && o.stock >= 5);
      if (!offer?.multi) continue;
      const answer = shop.order({ seller: seller.id, lines: [{ offer: offer.id, packs: 5 }] });
      const goods = Math.min(5 * offer.price, offer.multi.price + offer.price);
      const delivery = goods >= (seller.freeFrom ?? Number.POSITIVE_INFINITY) ? 0 : seller.delivery;
      expect(answer.taken && answer.total).toBeCloseTo(goods + delivery, 2);
    }
  });
});

describe('over the wire', () => {
  const order = (url: string, body: unknown) =>
    fetch(`${url}/orders`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });

  it('orders are answered with what became of them; what is no order with a sentence', async () => {
    const url = await started();
    const read = readCatalogue(await (await fetch(`${url}/catalogue`)).json());
    if (!read.ok) throw new Error(read.why);
    const offer = read.value.offers.find((o) => o.stock > 0);
    if (!offer) throw new Error('The shop has something.');
    const good = await order(url, { seller: offer.seller, lines: [{ offer: offer.id, packs: 1 }] });
    expect(good.status).toBe(201);
    expect(readAnswer(await good.json())).toMatchObject({ ok: true, value: { taken: true } });
    const many = await order(url, { seller: offer.seller, lines: [{ offer: offer.id, packs: 200 }] });
    expect(many.status).toBe(409);
    expect(readAnswer(await many.json())).toMatchObject({ ok: true, value: { taken: false } });
    for (const [wrong, why] of [
      [{}, /missing/],
      [{ seller: offer.seller, lines: [] }, /order has to be of something/],
      [{ seller: offer.seller, lines: [{ offer: offer.id, packs: 0 }] }, /at least 1/],
      [{ seller: offer.seller, lines: [{ offer: offer.id, packs: 1 }], free: true }, /not known/],
    ] as const) {
      const answer = await order(url, wrong);
      expect(answer.status).toBe(400);
      expect((await answer.json()).message).toMatch(why);
    }
  });
});

describe('what a shop says is not taken on trust', () => {
  const said = () => JSON.parse(JSON.stringify(openShop(() => NOW).catalogue()));
  it.each([
    ['nothing', () => null],
    ['a page', () => '<html>'],
    ['another record', () => ({ format: 'x' })],
    ['an offer of nobody', () => ({ ...said(), offers: [{ ...said().offers[0], seller: 'nobody' }] })],
    ['a price below none', () => ({ ...said(), offers: [{ ...said().offers[0], price: -1 }] })],
    ['half a pack', () => ({ ...said(), offers: [{ ...said().offers[0], stock: 1.5 }] })],
    ['more offers than anybody sells', () => ({ ...said(), offers: new Array(3000).fill(said().offers[0]) })],
  ])('%s is refused with a sentence', (_, make) => {
    const read = readCatalogue(make());
    expect(read.ok).toBe(false);
    expect(!read.ok && read.why.length > 5 && read.why.length <= 200).toBe(true);
  });
});
