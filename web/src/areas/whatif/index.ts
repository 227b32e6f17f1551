import { lazyView } from '../../shell/lazily';

export const WhatIfPage = lazyView(() => import('./WhatIfPage').then((m) => m.WhatIfPage), 'the what-ifs', 12);
