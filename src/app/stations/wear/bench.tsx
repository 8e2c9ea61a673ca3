/** Wear. */

export function WearBench() {
  return (
    <>
      <h2>While you wear it</h2>
      <ul className="mt-3 text-small">
        {[
          'At night a bonnet and an edge wrap, or the wig off.',
          'After a wash or a swim dry the roots before you sleep; damp roots under a net are trouble.',
          'Itching may be the fibre (out with it) or a scalp that needs washing. Home acids on a broken scalp are not a cure.',
          'Kinky hair mats after about two weeks, long smooth hair tangles below the shoulders.',
          'Pain, bumps or shiny skin at the hairline: take it out, and see a professional if it stays.',
        ].map((line) => (
          <li key={line} className="line py-1.75">
            {line}
          </li>
        ))}
      </ul>
      <p className="note mt-3">Common practice, no source.</p>
    </>
  );
}
