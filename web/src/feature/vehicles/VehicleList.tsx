import { useEffect, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { findVehicles, toldBy } from '#core/vehicle/vehicle-search.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { useVehicles } from '../../shop/queries.ts';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { tell } from '../../ui/tell.ts';
import { VehicleForm } from './VehicleForm.tsx';

/** Vehicles of the shop: found by plate, owner or the last six of the VIN; a scanner types like a keyboard. */
export default function VehicleList() {
  const { data: vehicles, failure } = useVehicles();
  const [query, setQuery] = useState('');
  const [wanted, setWanted] = useState<string>();
  const [adding, setAdding] = useState(false);
  const navigate = useNavigate();
  const found = findVehicles(vehicles ?? [], query);
  // A scanner may be quicker than the list.
  useEffect(() => {
    if (wanted === undefined || !vehicles) return;
    setWanted(undefined);
    const [meant] = findVehicles(vehicles, wanted);
    if (meant) navigate(`/vehicles/${meant.id}`);
  }, [wanted, vehicles, navigate]);
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <main className="flex-1 bg-bench px-5 py-4">
        <div className="flex flex-wrap items-end justify-between gap-4">
          <h1 className="plate text-3xl">{say('Vehicles')}</h1>
          <span className="flex flex-wrap gap-2">
            <Link
              to="/vehicles/owners"
              className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
            >
              {say('Owners')}
            </Link>
            <Link
              to="/vehicles/recall"
              className="flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
            >
              {say('Call back')}
            </Link>
            <Button onClick={() => setAdding(true)}>{say('New vehicle')}</Button>
          </span>
        </div>
        <form
          className="mt-3 grid max-w-xl gap-1"
          onSubmit={(event) => {
            event.preventDefault();
            setWanted(query);
          }}
        >
          <label htmlFor="find" className="font-bold">
            {say('Plate, owner, or the last six of the VIN')}
          </label>
          <input
            id="find"
            type="search"
            autoComplete="off"
            className="figures min-h-14 border-2 border-ink bg-sheet px-3 text-xl"
            value={query}
            onChange={(event) => setQuery(event.target.value)}
          />
          <p className="text-sm text-ink-2">{say('Enter, or the scanner’s own end of line, opens the first.')}</p>
        </form>
        {failure && (
          <p role="alert" className="mt-3 text-bad">
            {failure}
          </p>
        )}
        {!vehicles && !failure && <p className="mt-4 text-ink-2">{say('Reading the vehicles.')}</p>}
        {vehicles?.length === 0 && <p className="mt-4 text-ink-2">{say('No vehicle yet. Enter the first one.')}</p>}
        {vehicles && vehicles.length > 0 && found.length === 0 && (
          <div className="mt-4 grid justify-items-start gap-3">
            <p className="text-ink-2">{tell('No vehicle of the shop matches “{query}”.', { query })}</p>
            <Button onClick={() => setAdding(true)}>{say('Enter it as a new vehicle')}</Button>
          </div>
        )}
        <ul className="mt-4 border-t-2 border-ink">
          {found.map((vehicle) => (
            <li key={vehicle.id} className="border-b border-rule">
              <Link
                to={`/vehicles/${vehicle.id}`}
                className="grid min-h-16 grid-cols-[7rem_1fr] items-center gap-x-4 py-2 sm:grid-cols-[8rem_16rem_1fr]"
              >
                <span className="figures text-xl font-bold wrap-anywhere">{vehicle.plate || say('no plate')}</span>
                <span className="font-bold">
                  {vehicle.make} {vehicle.model}
                  <span className="block text-sm font-normal text-ink-2">
                    {vehicle.modelYear ?? say('year not known')}
                  </span>
                </span>
                <span className="col-start-2 text-ink-2 sm:col-start-auto">
                  {vehicle.owner}
                  {vehicle.vin && (
                    <span className="figures block text-sm">{tell('VIN …{vin}', { vin: vehicle.vin.slice(-6) })}</span>
                  )}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </main>
      <Sheet open={adding} onClose={() => setAdding(false)} title={say('New vehicle')} wide>
        <VehicleForm
          told={found.length === 0 ? toldBy(query) : undefined}
          onSaved={(saved) => navigate(`/vehicles/${saved.vehicle.id}`)}
          onLeave={() => setAdding(false)}
        />
      </Sheet>
    </div>
  );
}
