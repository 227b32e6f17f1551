import { lazyView } from '../../shell/lazily';

export const ExchangeRates = lazyView(() => import('./ExchangeRates').then((m) => m.ExchangeRates), 'the rates');
