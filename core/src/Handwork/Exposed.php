<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\CaseFile\CaseFile;

/** On how many earlier visits each muscle was worked: as it was told, or as it stands in the visits, whichever is more. */
final readonly class Exposed
{
    /** @param  array<string, int>  $visits  by muscle and side */
    private function __construct(private array $visits)
    {
    }

    public static function of(CaseFile $case): self
    {
        $visits = [];
        foreach ($case->history as $visit) {
            foreach (array_unique(array_map(static fn ($done): string => $done->at()->key(), $visit->done)) as $key) {
                $visits[$key] = ($visits[$key] ?? 0) + 1;
            }
        }
        foreach ($case->exposure as $exposure) {
            $key = $exposure->at()->key();
            $visits[$key] = max($visits[$key] ?? 0, $exposure->visits);
        }

        return new self(array_filter($visits));
    }

    public function visits(MuscleAt $at): int
    {
        return $this->visits[$at->key()] ?? 0;
    }

    /** Of either side. */
    public function visitsOf(string $muscle): int
    {
        $most = 0;
        foreach ($this->visits as $key => $visits) {
            $most = str_starts_with($key, "$muscle:") ? max($most, $visits) : $most;
        }

        return $most;
    }

    /** @return list<string> muscles that were worked */
    public function muscles(): array
    {
        return array_values(array_unique(array_map(static fn (string $key): string => explode(':', $key)[0], array_keys($this->visits))));
    }
}
