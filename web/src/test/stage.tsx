import { configure, render } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { type ReactNode, Suspense } from 'react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import type { Problem } from '#contract/problem.ts';
import type { Session } from '#contract/session.ts';
import ShopData from '../shop/ShopData.tsx';
import { useSession } from '../shop/session.ts';
import { shopData } from '../shop/shop-data.ts';

// A busy machine is no defect: what is fetched with the first press may take longer than a second there.
configure({ asyncUtilTimeout: 10_000 });

/** What the shop answers to one request: a body, a problem, nothing at all, or never. */
export type Answer =
  | { body: unknown; status?: number }
  | { problem: Partial<Problem> & { code: string; status: number } }
  | 'unreachable'
  | 'never';

/** A request as it arrived. */
export interface Asked {
  method: string;
  path: string;
  query: URLSearchParams;
  body: unknown;
}
type Answerer = Answer | ((asked: Asked) => Answer | Promise<Answer>);

/** The shop behind a screen: answers by `METHOD /path`, a star standing for one part. What has no answer fails the test. */
export class Shop {
  readonly asked: Asked[] = [];
  private readonly known = new Map<string, Answerer>();

  on(request: string, answer: Answerer): this {
    this.known.set(request, answer);
    return this;
  }

  /** Whether a request has an answer of its own. */
  answers(request: string): boolean {
    return this.known.has(request);
  }

  /** Requests of a method, in order. */
  sent(method: string): Asked[] {
    return this.asked.filter((entry) => entry.method === method);
  }

  private find(method: string, path: string): Answerer | undefined {
    const exact = this.known.get(`${method} ${path}`);
    if (exact) return exact;
    for (const [request, answer] of this.known) {
      const pattern = request.replace(/[.+?^${}()|[\]\\]/g, '\\$&').replaceAll('*', '[^/]+');
      if (new RegExp(`^${pattern}$`).test(`${method} ${path}`)) return answer;
    }
    return undefined;
  }

  readonly fetch = async (input: string | URL | Request, init?: RequestInit): Promise<Response> => {
    const url = new URL(String(input instanceof Object && 'url' in input ? input.url : input), location.origin);
    const method = init?.method ?? 'GET';
    const path = url.pathname.replace(/^\/api/, '');
    const asked = {
      method,
      path,
      query: url.searchParams,
      body: typeof init?.body === 'string' ? JSON.parse(init.body) : undefined,
    };
    this.asked.push(asked);
    const found = this.find(method, path);
    if (!found) throw new Error(`The test has no answer to ${method} ${path}`);
    const answer = typeof found === 'function' ? await found(asked) : found;
    if (answer === 'unreachable') throw new TypeError('fetch failed');
    if (answer === 'never') return new Promise(() => undefined);
    if ('problem' in answer) return reply(answer.problem.status, { title: answer.problem.code, ...answer.problem });
    return reply(answer.status ?? 200, answer.body);
  };
}

/** As much of a response as the client reads. */
const reply = (status: number, body: unknown): Response =>
  ({
    status,
    ok: status >= 200 && status < 300,
    headers: new Headers({ 'content-type': 'application/json' }),
    json: async () => JSON.parse(JSON.stringify(body)),
    text: async () => JSON.stringify(body),
  }) as Response;

export const FITTER: Session = {
  person: { id: 'u-vane', name: 'Mira Vane', initials: 'MV', role: 'fitter' },
  shop: { id: 's', name: 'Harrow Lane', bays: 4, secretDigits: 4 },
  device: '22222222-2222-4222-8222-222222222222',
};

/** Where the router stands, for a test to read. */
function Here() {
  const { pathname, search } = useLocation();
  return <output data-testid="here">{pathname + search}</output>;
}

interface Staged {
  shop: Shop;
  user: ReturnType<typeof userEvent.setup>;
  here: () => string;
}

/**
 * Shows a screen with a shop behind it.
 *
 * @param routes - `<Route>` elements of the screen
 * @param at - the address it is opened at
 */
export function stage(routes: ReactNode, at: string, shop: Shop, session: Session | null = FITTER): Staged {
  shopData.clear();
  shopData.setDefaultOptions({ queries: { ...shopData.getDefaultOptions().queries, retryDelay: 1 } });
  localStorage.clear();
  globalThis.fetch = shop.fetch as typeof fetch;
  useSession.setState({ status: session ? 'signedIn' : 'signedOut', session: session ?? undefined });
  const view = render(
    <ShopData>
      <MemoryRouter initialEntries={[at]}>
        <Suspense fallback={<p>Loading the screen</p>}>
          <Routes>
            {routes}
            <Route path="*" element={<p>elsewhere</p>} />
          </Routes>
        </Suspense>
        <Here />
      </MemoryRouter>
    </ShopData>,
  );
  return {
    shop,
    user: userEvent.setup(),
    here: () => view.getByTestId('here').textContent ?? '',
  };
}
