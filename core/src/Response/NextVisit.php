<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

/** When to come again and for how long, and why; no day where none should be named yet. */
final readonly class NextVisit
{
    /** @param  string  $reason  what decided: id of a line of {@see NextVisitJudge} */
    public function __construct(public ?int $days, public ?int $minutes, public string $reason, public string $because)
    {
    }

    /** @return array{days: int|null, minutes: int|null, reason: string, because: string} */
    public function toArray(): array
    {
        return ['days' => $this->days, 'minutes' => $this->minutes, 'reason' => $this->reason, 'because' => $this->because];
    }
}
