import ShopData from '../../shop/ShopData.tsx';
import FindLine from './FindLine.tsx';

/** The find line under a code that was scanned, also where no screen of the shop stands around it. */
export default function ScannedSheet({ scanned, onGone }: { scanned: string; onGone: () => void }) {
  return (
    <ShopData>
      <FindLine scanned={scanned} onGone={onGone} />
    </ShopData>
  );
}
