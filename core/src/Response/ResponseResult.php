<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Measures\Measure;

final readonly class ResponseResult
{
    /**
     * @param  list<Measure>  $measures
     * @param  list<TargetDecision>  $targets
     */
    public function __construct(
        public array $measures,
        public array $targets,
        public CourseDecision $course,
        public string $because,
        public string $sureness,
        public ?Contradiction $contradiction = null,
    ) {
    }

    public function of(MuscleAt $at): ?TargetDecision
    {
        foreach ($this->targets as $target) {
            if ($target->at->key() === $at->key()) {
                return $target;
            }
        }

        return null;
    }

    /** @return array<string, mixed> the `response` part of a result */
    public function toArray(): array
    {
        return [
            'measures' => array_map(static fn (Measure $measure): array => $measure->toArray(), $this->measures),
            'targets' => array_map(static fn (TargetDecision $target): array => $target->toArray(), $this->targets),
            'course' => ['decision' => $this->course->value, 'because' => $this->because, 'sureness' => $this->sureness],
            'contradiction' => $this->contradiction?->words,
        ];
    }
}
