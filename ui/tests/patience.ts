import { configure } from '@testing-library/react';

// No test goes by the clock: a busy machine is slow, and only what never comes is wrong.
configure({ asyncUtilTimeout: 60_000 });
