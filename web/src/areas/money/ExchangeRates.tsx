import { useQuery } from '@tanstack/react-query';
import type { CompanyView, RatesView } from '../../api/generated';
import { listRatesOptions } from '../../api/generated/@tanstack/react-query.gen';
import { useCompany } from '../../api/queries';
import { day } from '../../format/dates';
import { Loaded } from '../../shell/Loaded';
import { Grid } from '../../table/Grid';
import { NewRates } from './NewRates';

/** Rates of the day, by which groups and authorities add up several currencies. */
export function ExchangeRates() {
  const rates = useQuery(listRatesOptions());
  const company = useCompany();
  return (
    <Loaded query={rates} what="the rates" lines={10}>
      {(known) => company.data && <Known rates={known} company={company.data} />}
    </Loaded>
  );
}

const Known = ({ rates, company }: { rates: RatesView; company: CompanyView }) => (
  <div className="policies" style={{ gridTemplateColumns: '340px minmax(0, 1fr)' }}>
    <NewRates base={rates.baseCurrency} company={company} />
    <section className="card pad" aria-label="Rates" style={{ maxHeight: '70vh', overflow: 'auto' }} tabIndex={0}>
      <h2>Rates</h2>
      <Grid
        label="Rates"
        rows={rates.latest}
        keyOf={(_, i) => i}
        empty="There are no rates yet. Fetch them, import a file, or add one."
        columns={[
          { title: 'Date', className: 'nowrap', cell: (r) => day(r.date) },
          { title: 'Currency', cell: (r) => r.currency },
          { title: `Worth in ${rates.baseCurrency}`, figure: true, cell: (r) => r.rate },
          { title: 'Source', className: 'small', cell: (r) => r.source },
          { title: 'Recorded', className: 'small', cell: (r) => day(r.recorded) },
        ]}
      />
    </section>
  </div>
);
