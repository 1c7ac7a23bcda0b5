<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Data\Fields;

/** The time there is and how it may be spent. An absent list of positions means all of them. */
final readonly class Session
{
    /**
     * @param  list<string>  $positionsPossible
     * @param  list<ChosenTarget>  $targets
     * @param  list<ChosenTarget>  $dropped
     * @param  array<string, string>  $school
     * @param  list<DoneStep>  $doneSteps
     */
    public function __construct(
        public ?int $minutes = null,
        public array $positionsPossible = [],
        public array $targets = [],
        public array $dropped = [],
        public array $school = [],
        public array $doneSteps = [],
        public ?Now $now = null,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->intOrNull('minutes'), $f->strings('positions_possible'), $f->map('targets', ChosenTarget::from(...)),
            $f->map('dropped', ChosenTarget::from(...)), $f->stringMap('school'), $f->map('done_steps', DoneStep::from(...)),
            $f->has('now') ? Now::from($f->fields('now')) : null,
        );
    }

    /** What was set by hand of a target. */
    public function target(string $key): ?ChosenTarget
    {
        foreach ($this->targets as $chosen) {
            if ($chosen->key() === $key) {
                return $chosen;
            }
        }

        return null;
    }

    /** The same with other minutes: of a treatment that runs, those that are left. */
    public function withMinutes(int $minutes): self
    {
        return new self(
            $minutes, $this->positionsPossible, $this->targets, $this->dropped, $this->school, $this->doneSteps, $this->now,
        );
    }

    public function withSchool(string $question, string $choice): self
    {
        return new self(
            $this->minutes, $this->positionsPossible, $this->targets, $this->dropped, [...$this->school, $question => $choice],
            $this->doneSteps, $this->now,
        );
    }
}
