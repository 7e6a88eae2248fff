import ShopData from '../../shop/ShopData.tsx';
import { useFirstPlan } from './use-first-plan.ts';

/** Plans the day while a step that takes two is still ahead, so that who has a hand free is known when it comes. */
export default function PlanAhead() {
  return (
    <ShopData>
      <Planning />
    </ShopData>
  );
}

function Planning() {
  useFirstPlan();
  return null;
}
