import type { ComponentProps } from 'react';
import ShopData from '../../../shop/ShopData.tsx';
import { GiveFigure } from './GiveFigure.tsx';

/** A figure for a joint, looked up among the shop's kits: the line itself works without the shop's data. */
export default function FigureSheet(props: ComponentProps<typeof GiveFigure>) {
  return (
    <ShopData>
      <GiveFigure {...props} />
    </ShopData>
  );
}
