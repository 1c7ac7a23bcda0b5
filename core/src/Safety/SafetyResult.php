<?php

declare(strict_types=1);

namespace Somatrace\Core\Safety;

final readonly class SafetyResult
{
    /**
     * @param  list<Question>  $questions
     * @param  list<Offer>  $offers
     * @param  list<array{rule: string, verdict: string, reason: string}>  $because  the rules behind the verdict, strongest first
     * @param  HealingPlaces  $healing  by what was said of injuries and operations
     * @param  bool  $asked  whether anything was answered at all
     */
    public function __construct(
        public Verdict $verdict,
        public Verdict $beforeOverride,
        public ?int $days,
        public LimitSet $limits,
        public array $questions,
        public array $offers,
        public array $because,
        public ?ClotScore $clot,
        public HealingPlaces $healing,
        public bool $asked,
    ) {
    }

    /** Whether hands may go on: a plan may be previewed while questions are open, a treatment may not start. */
    public function mayStart(): bool
    {
        return $this->verdict->allowsTreatment()
            && array_filter($this->questions, static fn (Question $question): bool => $question->blocks) === [];
    }

    /** @return array<string, mixed> the `safety` part of a result */
    public function toArray(): array
    {
        $when = match (true) {
            $this->days === null => null,
            $this->verdict === Verdict::Refer => ['within_days' => $this->days],
            $this->verdict === Verdict::Defer => ['again_after_days' => $this->days],
            default => null,
        };

        return [
            'verdict' => $this->verdict->value,
            'when' => $when,
            'limits' => array_map(static fn (Limit $limit): array => $limit->toArray(), $this->limits->all()),
            'questions' => array_map(static fn (Question $question): array => $question->toArray(), $this->questions),
            'because' => $this->because,
            'may_start' => $this->mayStart(),
            'asked' => $this->asked,
            'overridden' => $this->beforeOverride === $this->verdict ? null : $this->beforeOverride->value,
            'clot' => $this->clot?->toArray(),
        ];
    }
}
