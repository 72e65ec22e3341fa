import { useStation } from '../../station';
import { BandList } from '../BandList';
import { Fields } from './Fields';
import { Flood } from './Flood';
import { Stripes } from './Stripes';
import { Marble } from './Marble';
import { Petals } from './Petals';
import { Pools } from './Pools';
import { Puddle } from './Puddle';

/** What of the layout is decided, by its kind. */
export function LayoutPart() {
  const { layout } = useStation().layer;
  switch (layout.kind) {
    case 'lines':
      return <Stripes layout={layout} />;
    case 'petals':
      return <Petals layout={layout} />;
    case 'fields':
      return <Fields layout={layout} />;
    case 'pools':
      return <Pools />;
    case 'puddle':
      return <Puddle layout={layout} />;
    case 'marble':
      return <Marble layout={layout} />;
    case 'flood':
      return <Flood layout={layout} />;
    default:
      return <BandList />;
  }
}
