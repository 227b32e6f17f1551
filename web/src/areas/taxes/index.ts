import { lazyView } from '../../shell/lazily';

export const TaxCodes = lazyView(() => import('./TaxCodes').then((m) => m.TaxCodes), 'the tax codes');
