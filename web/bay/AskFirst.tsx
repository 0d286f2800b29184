import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

/** Something asked once more before it is done. */
export interface Question {
  readonly title: string;
  /** What follows from it. */
  readonly says: string;
  /** What is done when it is wanted all the same. */
  readonly sure: string;
  /** What is done instead. */
  readonly not: string;
  readonly onSure: () => void;
}

interface Props {
  readonly question: Question;
  readonly onClose: () => void;
}

/** A question for a gloved hand: what is safe stands first and large. */
export function AskFirst({ question, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} title={question.title} description={question.says}>
      <div className="grid gap-3">
        <Button glove look="main" className="min-h-20 text-xl" onClick={onClose}>
          {question.not}
        </Button>
        <Button
          glove
          className="min-h-16"
          onClick={() => {
            onClose();
            question.onSure();
          }}
        >
          {question.sure}
        </Button>
      </div>
    </Dialog>
  );
}
