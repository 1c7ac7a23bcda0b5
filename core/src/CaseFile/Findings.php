<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

final readonly class Findings
{
    /**
     * @param  list<Complaint>  $complaints
     * @param  list<TaskScore>  $function
     * @param  list<RangeFinding>  $range
     * @param  list<ResistedFinding>  $resisted
     * @param  list<PostureFinding>  $posture
     * @param  list<TestFinding>  $tests
     * @param  list<PalpationFinding>  $palpation
     * @param  list<FeedbackPair>  $feedback
     */
    public function __construct(
        public array $complaints = [],
        public array $function = [],
        public array $range = [],
        public array $resisted = [],
        public array $posture = [],
        public array $tests = [],
        public array $palpation = [],
        public array $feedback = [],
    ) {
    }

    /** The same with one more finding of a kind. */
    public function and(
        ?RangeFinding $range = null,
        ?ResistedFinding $resisted = null,
        ?PalpationFinding $palpation = null,
        ?TestFinding $tests = null,
    ): self {
        return new self(
            $this->complaints, $this->function, [...$this->range, ...array_filter([$range])],
            [...$this->resisted, ...array_filter([$resisted])], $this->posture,
            [...$this->tests, ...array_filter([$tests])], [...$this->palpation, ...array_filter([$palpation])], $this->feedback,
        );
    }

    /** @param  list<PalpationFinding>  $palpation */
    public function withPalpation(array $palpation): self
    {
        return new self(
            $this->complaints, $this->function, $this->range, $this->resisted, $this->posture, $this->tests, $palpation, $this->feedback,
        );
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->map('complaints', Complaint::from(...)), $f->map('function', TaskScore::from(...)),
            $f->map('range', RangeFinding::from(...)),
            $f->map('resisted', ResistedFinding::from(...)), $f->map('posture', PostureFinding::from(...)),
            $f->map('tests', TestFinding::from(...)),
            $f->map('palpation', PalpationFinding::from(...)), $f->map('feedback', FeedbackPair::from(...)),
        );
    }
}
