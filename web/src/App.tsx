import { Link, NavLink, Navigate, Route, Routes, useParams } from 'react-router';
import { AboutPage } from './about/AboutPage';
import { useWorkshop } from './units/workshop';
import { WeighPage } from './bench/WeighPage';
import { CupboardPage } from './cupboard/CupboardPage';
import { KeySheet } from './parts/KeySheet';
import { Ribbon } from './parts/Ribbon';
import { FieldsContext, useFieldsFromWorkshop } from './parts/fields';
import { localText } from './units/format';
import { PiecePage } from './piece/PiecePage';
import { ReckonerPage } from './reckoner/ReckonerPage';
import { NewPiece } from './shelf/NewPiece';
import { SharePage } from './share/SharePage';
import { Shelf } from './shelf/Shelf';
import { SpeedPage } from './speed/SpeedPage';
import { StandInsPage } from './standins/StandInsPage';
import { useTheme } from './units/theme';
import { UnitsProvider, useUnits } from './units/units';
import './App.scss';

const untold = { ranges: {}, most: {}, usual: {}, unpainted: [] };

export function App() {
  const fields = useFieldsFromWorkshop();
  return (
    <FieldsContext value={fields ?? untold}>
      <Pages />
    </FieldsContext>
  );
}

function Pages() {
  // How hours are told is known before anything is shown. It is changed on a page of its own, beside the head and the ribbon.
  const workshop = useWorkshop();
  const hours = workshop.data?.hours;
  if (workshop.isPending) return null;
  return (
    <UnitsProvider>
      <a className="visually-hidden-focusable skip" href="#main" onClick={toMain}>
        To the piece
      </a>
      <Head key={`head ${hours}`} />
      <Ribbon key={`ribbon ${hours}`} />
      <Routes>
        <Route path="/" element={<Shelf />} />
        <Route path="/new" element={<NewPiece />} />
        <Route path="/reckoner/:path?" element={<ReckonerPage />} />
        <Route path="/cupboard" element={<CupboardPage />} />
        <Route path="/about" element={<AboutPage />} />
        <Route path="/stand-ins" element={<StandInsPage />} />
        <Route path="/speed" element={<SpeedPage />} />
        <Route path="/pieces/:id" element={<ToGround />} />
        <Route path="/pieces/:id/share" element={<SharePage />} />
        <Route path="/pieces/:id/weigh/:sitting" element={<WeighPage />} />
        <Route path="/pieces/:id/:station" element={<Opened />} />
        <Route path="*" element={<Navigate to="/" replace />} />
      </Routes>
    </UnitsProvider>
  );
}

/** The keys go on from the page itself, past what stands above it. */
function toMain(e: React.MouseEvent) {
  e.preventDefault();
  const main = document.getElementById('main');
  main?.setAttribute('tabindex', '-1');
  main?.focus();
}

function ToGround() {
  const { id } = useParams();
  return <Navigate to={`/pieces/${id}/map`} replace />;
}

/** A page of its own for each piece, so that nothing of one is left over on the next. */
function Opened() {
  const { id = '', station = 'map' } = useParams();
  return <PiecePage key={id} id={id} station={station} />;
}

function Head() {
  const { data } = useWorkshop();
  const units = useUnits();
  const [theme, setTheme] = useTheme();
  const us = units.system === 'us';
  return (
    <header className="head">
      <Link to="/" className="brand" aria-label="Moss Lantern">
        <img src="/lantern.svg" alt="" width="24" height="24" />
        <span className="brand-name">Moss Lantern</span>
      </Link>
      <nav aria-label="Pages">
        <NavLink to="/" end>
          Shelf
        </NavLink>
        <NavLink to="/cupboard">Cupboard</NavLink>
        <NavLink to="/reckoner">Reckoner</NavLink>
        <NavLink to="/about">About</NavLink>
      </nav>
      <span className="person">
        <button
          type="button"
          className="btn btn-outline-primary"
          aria-label={
            us ? 'in · fl oz: show millimetres and millilitres' : 'mm · ml: show inches and fluid ounces'
          }
          onClick={() => units.choose(us ? 'metric' : 'us')}
        >
          {us ? 'in · fl oz' : 'mm · ml'}
        </button>
        <button
          type="button"
          className="btn btn-outline-primary"
          aria-label={
            theme === 'day' ? 'day: dim the page for the evening' : 'evening: light the page for the day'
          }
          onClick={() => setTheme(theme === 'day' ? 'evening' : 'day')}
        >
          {theme === 'day' ? 'day' : 'evening'}
        </button>
        <KeySheet />
      </span>
      <p className="head-now">
        {data?.demo && <span className="demo">demo workshop</span>}
        {data && (
          <>
            {localText(data.now.local)} <small className="zone-name">{data.timeZone}</small>
          </>
        )}
      </p>
    </header>
  );
}
