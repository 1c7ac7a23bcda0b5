<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Measures\Measure;

final readonly class ResponseResult
{
    /** @var array<string, TargetDecision> by muscle and side */
    private array $byKey;

    /**
     * @param  list<Measure>  $measures
     * @param  list<TargetDecision>  $targets
     * @param  list<GoalProgress>  $goals
     * @param  list<Helped>  $helped  what came after which work
     * @param  list<VisitMark>  $visits  that lie behind
     * @param  CourseLine|null  $line  null where no pain was ever asked
     */
    public function __construct(
        public array $measures,
        public array $targets,
        public CourseDecision $course,
        public string $because,
        public string $sureness,
        public ?Contradiction $contradiction,
        public array $goals,
        public array $helped,
        public ?CourseLine $line,
        public CoursePlan $plan,
        public array $visits,
    ) {
        $byKey = [];
        foreach ($targets as $target) {
            $byKey[$target->at->key()] ??= $target;
        }
        $this->byKey = $byKey;
    }

    public function of(MuscleAt $at): ?TargetDecision
    {
        return $this->byKey[$at->key()] ?? null;
    }

    /** @return array<string, mixed> the `response` part of a result */
    public function toArray(): array
    {
        return [
            'measures' => array_map(static fn (Measure $measure): array => $measure->toArray(), $this->measures),
            'targets' => array_map(static fn (TargetDecision $target): array => $target->toArray(), $this->targets),
            'course' => ['decision' => $this->course->value, 'because' => $this->because, 'sureness' => $this->sureness],
            'contradiction' => $this->contradiction?->words,
            'goals' => array_map(static fn (GoalProgress $goal): array => $goal->toArray(), $this->goals),
            'helped' => array_map(static fn (Helped $one): array => $one->toArray(), $this->helped),
            'line' => $this->line?->toArray(),
            'plan' => $this->plan->toArray(),
            'visits' => array_map(static fn (VisitMark $visit): array => $visit->toArray(), $this->visits),
        ];
    }
}
