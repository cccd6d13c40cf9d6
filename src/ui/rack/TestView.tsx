import { LogView } from '../prove/LogView';

/** One result a tap; begins with the run that was found, where one was. */
export const TestView = () => <LogView />;
