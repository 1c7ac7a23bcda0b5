<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\Stage;

/** How the pain was expected to go from the first visit on, with an honest band, and how it went. */
final readonly class CourseLine
{
    /**
     * @param  Stage|null  $stage  of the beginning; null where nobody said since when and no sign told
     * @param  list<array{date: string, actual: float|null, expected: float, low: float, high: float}>  $points  a visit each, today last
     * @param  'ahead'|'within'|'behind'|'unknown'  $verdict  of the last reading
     */
    public function __construct(public string $measure, public ?Stage $stage, public array $points, public string $verdict)
    {
    }

    public function words(): string
    {
        $usual = $this->stage === null ? 'may be expected; since when it hurts was not said' : 'is usual for its stage';

        return match ($this->verdict) {
            'ahead' => "The pain goes faster than $usual.",
            'within' => "The pain is within what $usual.",
            'behind' => "The pain goes slower than $usual.",
            'unknown' => 'Too little was asked to tell how it goes.',
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'measure' => $this->measure, 'stage' => $this->stage?->value, 'points' => array_map(static fn (array $one): array => [
                ...$one, 'expected' => round($one['expected'], 2), 'low' => round($one['low'], 2), 'high' => round($one['high'], 2),
            ], $this->points), 'verdict' => $this->verdict, 'words' => $this->words(),
        ];
    }
}
