import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { Navigate, Outlet, Route, Routes, useLocation, useParams } from 'react-router';
import { banksQuery } from './api/queries';
import { LogInPage } from './areas/people/LogIn';
import { LogInAgain } from './areas/people/LogInAgain';
import { type Account, useSession } from './areas/people/session';
import { Guard } from './parts/Guard';
import { TopBar } from './TopBar';
import { Waiting } from './parts/Waiting';

const BanksPage = lazy(() => import('./areas/banks/BanksPage'));
const BoardPage = lazy(() => import('./areas/bank/board/BoardPage'));
const QuestionsPage = lazy(() => import('./areas/bank/list/QuestionsPage'));
const QuestionPage = lazy(() => import('./areas/bank/question/QuestionPage'));
const AsSeenPage = lazy(() => import('./areas/bank/question/tryout/AsSeenPage'));
const PagesPage = lazy(() => import('./areas/bank/page/PagesPage'));
const ProofreadingPage = lazy(() => import('./areas/bank/list/ProofreadingPage'));
const AlikePage = lazy(() => import('./areas/bank/list/AlikePage'));
const HistoryPage = lazy(() => import('./areas/bank/history/HistoryPage'));
const BankSettingsPage = lazy(() => import('./areas/bank/settings/BankSettingsPage'));
const HouseRulesPage = lazy(() => import('./areas/bank/settings/HouseRulesPage'));
const ToQuestion = lazy(() => import('./areas/bank/question/QuestionPage').then((page) => ({ default: page.ToQuestion })));
const NewQuestionPage = lazy(() => import('./areas/bank/list/NewQuestionPage'));
const IntakePage = lazy(() => import('./areas/intake/IntakePage'));
const BlueprintsPage = lazy(() => import('./areas/blueprint/BlueprintsPage'));
const BlueprintPage = lazy(() => import('./areas/blueprint/BlueprintPage'));
const EditionPage = lazy(() => import('./areas/blueprint/editions/EditionPage'));
const MyAssessmentsPage = lazy(() => import('./areas/delivery/beforehand/MyAssessmentsPage'));
const OpeningPage = lazy(() => import('./areas/delivery/beforehand/OpeningPage'));
const SittingPage = lazy(() => import('./areas/delivery/SittingPage'));
const PeoplePage = lazy(() => import('./areas/people/PeoplePage'));
const GroupsPage = lazy(() => import('./areas/people/GroupsPage'));
const ResultsPage = lazy(() => import('./areas/results/ResultsPage'));
const ReplayPage = lazy(() => import('./areas/results/ReplayPage'));
const PaperPage = lazy(() => import('./areas/results/PaperPage'));
const ReviewPage = lazy(() => import('./areas/delivery/review/ReviewPage'));

export function App() {
  const session = useSession();
  const location = useLocation();
  if (session.error) return <Waiting error={session.error} retry={() => void session.refetch()} />;
  if (!session.data) return null;
  const account = session.data.account;
  if (!account) return <LogInPage />;
  return (
    <>
      <LogInAgain account={account} />
      <Suspense fallback={<Waiting />}>
        <Guard what="This screen" about={location.pathname}>
          <Routes>
            <Route path="/sittings/:id" element={<SittingPage account={account} />} />
            <Route path="/sittings/:id/review" element={<ReviewPage account={account} />} />
            {account.role === 'candidate' ? (
              <>
                <Route path="/editions/:id/opening" element={<OpeningPage account={account} of="edition" />} />
                <Route path="*" element={<MyAssessmentsPage account={account} />} />
              </>
            ) : (
              <>
                <Route path="/blueprints/:id/opening" element={<OpeningPage account={account} of="blueprint" />} />
                <Route path="/papers/:id/replay" element={<ReplayPage account={account} />} />
                <Route path="/papers/:id" element={<PaperPage account={account} />} />
                <Route path="/as-seen/:id" element={<AsSeenPage />} />
                <Route path="/questions/:id" element={<ToQuestion />} />
                <Route path="/banks" element={<BanksPage account={account} />} />
                <Route path="/banks/:bank" element={<InBank account={account} />}>
                  <Route index element={<BoardPage account={account} />} />
                  <Route path="questions" element={<QuestionsPage account={account} />} />
                  <Route path="questions/new" element={<NewQuestionPage />} />
                  <Route path="questions/:id" element={<QuestionPage account={account} />} />
                  <Route path="pages" element={<PagesPage account={account} />} />
                  <Route path="pages/:id" element={<PagesPage account={account} />} />
                  <Route path="proofreading" element={<ProofreadingPage />} />
                  <Route path="alike" element={<AlikePage account={account} />} />
                  <Route path="history" element={<HistoryPage account={account} />} />
                  <Route path="settings" element={<BankSettingsPage account={account} />} />
                  <Route path="intake" element={<IntakePage />} />
                  <Route path="blueprints" element={<BlueprintsPage account={account} />} />
                  <Route path="blueprints/:id" element={<BlueprintPage account={account} />} />
                  <Route path="blueprints/:id/editions/:edition" element={<EditionPage account={account} />} />
                  <Route path="blueprints/:id/editions/:edition/results" element={<ResultsPage />} />
                </Route>
                {account.role !== 'reviewer' && <Route path="/groups" element={<GroupsPage account={account} />} />}
                <Route path="/house-rules" element={<HouseRulesPage account={account} />} />
                {account.role === 'administrator' && <Route path="/people" element={<PeoplePage account={account} />} />}
                <Route path="*" element={<ToFirstBank />} />
              </>
            )}
          </Routes>
        </Guard>
      </Suspense>
    </>
  );
}

function useBanks() {
  return useQuery(banksQuery());
}

/** Whoever has one bank begins there; with several, or none, the list of them comes first. */
function ToFirstBank() {
  const banks = useBanks();
  if (!banks.data) return <Waiting error={banks.error} retry={() => void banks.refetch()} />;
  const [first, second] = banks.data.banks.filter((bank) => !bank.putAway);
  return <Navigate to={first && !second ? `/banks/${first.id}` : '/banks'} replace />;
}

function InBank({ account }: { account: Account }) {
  const id = Number(useParams().bank);
  const banks = useBanks();
  const bank = banks.data?.banks.find((b) => b.id === id);
  return (
    <>
      {bank || !banks.data ? <TopBar account={account} bank={bank ?? { id, name: '' }} /> : <TopBar account={account} title="Zetema" />}
      {banks.data && !bank ? <Waiting error={new Error('There is no such bank, or it is not yours to see.')} home /> : <Outlet />}
    </>
  );
}
