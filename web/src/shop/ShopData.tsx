import { QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { Outlet } from 'react-router';
import { shopData } from './shop-data.ts';

/** Everything below reads the server through one cache. A route of its own, so that the floor loads without it. */
export default function ShopData({ children }: { children?: ReactNode }) {
  return <QueryClientProvider client={shopData}>{children ?? <Outlet />}</QueryClientProvider>;
}
