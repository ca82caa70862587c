import type { Hand } from '#core/craft/bow-terms.ts';
import type { ReadingKind } from '#core/craft/readings.ts';

/** A small drawing of where the tool sits for one reading. Mirrored for a right-hander. */
export function HowToDrawing({ kind, hand }: { readonly kind: ReadingKind; readonly hand: Hand }) {
  return (
    <svg viewBox="0 0 220 120" className="w-full max-w-65" role="img" aria-label={LABEL[kind]}>
      <g transform={hand === 'left' ? undefined : 'translate(220 0) scale(-1 1)'}>
        <Picture kind={kind} />
      </g>
    </svg>
  );
}

const LABEL: Readonly<Record<ReadingKind, string>> = {
  braceHeight: 'The square clipped on the string, its arm on the brace reference',
  tillerTop: 'The square at the top limb’s root, rocked to the smallest distance',
  tillerBottom: 'The square at the bottom limb’s root, rocked to the smallest distance',
  drawWeight: 'The scale’s hook on the string at full draw',
  nockingHeight: 'The square on the rest; the locator’s lower edge above it',
  centreShotAtPoint: 'From behind: the point beside the string',
  centreShotAtPlunger: 'From behind: the shaft at the plunger beside the string',
  limbLineTop: 'From behind, one eye: the string against the top gauge',
  limbLineBottom: 'From behind, one eye: the string against the bottom gauge',
  limbLineRod: 'From behind, one eye: the string against the long rod’s end',
  restHeight: 'The shaft end-on against the plunger’s centre',
  drawLength: 'The shaft marked above the pivot point at full draw',
};

/** The bow points right: string left, belly of the riser right. */
function Picture({ kind }: { readonly kind: ReadingKind }) {
  switch (kind) {
    case 'braceHeight':
      return (
        <>
          <StringLine x={40} />
          <path
            className="s-out f-metal"
            d="M168 8C150 30 160 44 152 60C144 76 160 92 166 112H186V8Z"
            style={{ fill: 'var(--metal)' }}
          />
          <Square x={40} y={60} to={152} />
          <Eye x={24} y={60} />
        </>
      );
    case 'tillerTop':
    case 'tillerBottom': {
      const flip = kind === 'tillerBottom' ? 'translate(0 120) scale(1 -1)' : undefined;
      return (
        <g transform={flip}>
          <StringLine x={50} />
          <path className="s-out" d="M92 4C112 30 130 58 136 84" />
          <path className="s-out" d="M136 84h40v32h-34Z" style={{ fill: 'var(--metal)' }} />
          <Square x={50} y={84} to={136} />
          <path className="s-dim dash" d="M50 84L128 62M50 84L140 104" />
          <path className="s-thin" d="M118 60a70 70 0 0 1 8 44M126 104l-5 -4M126 104l3 -6" />
        </g>
      );
    }
    case 'drawWeight':
      return <ScalePicture />;
    case 'nockingHeight':
      return (
        <>
          <StringLine x={70} />
          <rect className="f-ink" x={62} y={28} width={16} height={16} />
          <Square x={70} y={76} to={196} />
          <path className="s-dim" d="M84 44h20M84 76h20M98 44v32" />
          <path className="s-out" d="M95 47l6 -6M95 79l6 -6" />
          <path className="s-thin" d="M180 76v30h24" />
        </>
      );
    case 'centreShotAtPoint':
    case 'centreShotAtPlunger':
      return (
        <>
          <path
            className="s-out"
            d="M74 8v104h26v-40h14v-36h-14v-28Z"
            style={{ fill: 'var(--metal)' }}
          />
          <StringLine x={106} />
          <path className={kind === 'centreShotAtPoint' ? 's-bold' : 's-out'} d="M106 54L132 50" />
          <circle
            className="s-out f-sheet"
            cx={kind === 'centreShotAtPoint' ? 132 : 120}
            cy={kind === 'centreShotAtPoint' ? 50 : 52}
            r={5}
          />
          <path className="s-dim" d="M106 84H126M126 58V90M106 80v10" />
          <Eye x={106} y={112} />
        </>
      );
    case 'limbLineTop':
    case 'limbLineBottom':
      return (
        <g transform={kind === 'limbLineBottom' ? 'translate(0 120) scale(1 -1)' : undefined}>
          <path className="s-out" d="M84 112V60L98 4h24L136 60v52Z" />
          <path className="s-thin" d="M74 66h72M110 56v20M92 60v12M128 60v12" />
          <StringLine x={116} />
          <path className="s-dim" d="M110 88h6" />
        </g>
      );
    case 'limbLineRod':
      return (
        <>
          <path className="s-out" d="M70 6v52h80v-52" style={{ fill: 'var(--metal)' }} />
          <circle className="s-out" cx={110} cy={82} r={16} />
          <path className="s-thin" d="M110 60v44M88 82h44" />
          <StringLine x={118} />
        </>
      );
    case 'restHeight':
      return <RestPicture />;
    case 'drawLength':
      return (
        <>
          <path className="s-bold" d="M20 50H190" />
          <path className="s-out" d="M20 44l8 6 -8 6M190 45l14 5 -14 5Z" />
          <path
            className="s-out"
            d="M140 58C132 74 146 90 140 112H168V58"
            style={{ fill: 'var(--metal)' }}
          />
          <path className="s-dim" d="M26 30H140M140 22V48M26 22V42M140 30h30M170 22v16" />
          <path className="s-out" d="M23 33l6 -6M137 33l6 -6M167 33l6 -6" />
        </>
      );
  }
}

function ScalePicture() {
  return (
    <>
      <path className="s-out" d="M196 6C176 30 176 90 196 114" />
      <path className="s-thin" d="M190 8L70 60L190 112" />
      <path className="s-bold" d="M70 60h-14a6 6 0 1 1 6 -8" />
      <rect
        className="s-out"
        x={14}
        y={50}
        width={34}
        height={20}
        style={{ fill: 'var(--metal)' }}
      />
      <path className="s-thin" d="M48 60h8M20 60h14M70 78v18M70 96h-8M70 96h8" />
    </>
  );
}

function RestPicture() {
  return (
    <>
      <rect
        className="s-out"
        x={20}
        y={46}
        width={70}
        height={24}
        style={{ fill: 'var(--metal)' }}
      />
      <circle className="s-out" cx={116} cy={52} r={26} />
      <path className="s-hair dash" d="M12 58H200" />
      <path className="s-thin" d="M110 52h12M116 46v12" />
      <path className="s-bold" d="M60 92L128 78" />
      <path className="s-dim" d="M160 52h26M160 58h26M174 40v12M174 70v-12" />
    </>
  );
}

function StringLine({ x }: { readonly x: number }) {
  return <path className="s-out" d={`M${x} 4V116`} />;
}

function Square({ x, y, to }: { readonly x: number; readonly y: number; readonly to: number }) {
  const ticks = Array.from(
    { length: Math.floor((to - x) / 10) },
    (_, i) => `M${x + 8 + i * 10} ${y}v${i % 2 === 0 ? 5 : 3}`,
  );
  return (
    <>
      <path
        className="s-thin"
        d={`M${x} ${y - 14}v28M${x - 4} ${y - 8}h8M${x - 4} ${y + 8}h8M${x} ${y}H${to}`}
      />
      <path className="s-dim" d={ticks.join('')} />
    </>
  );
}

/** Where one eye looks from. */
function Eye({ x, y }: { readonly x: number; readonly y: number }) {
  return (
    <path
      className="s-thin"
      d={`M${x - 9} ${y}q9 -8 18 0q-9 8 -18 0ZM${x - 2} ${y}a2 2 0 1 0 4 0a2 2 0 1 0 -4 0`}
    />
  );
}
