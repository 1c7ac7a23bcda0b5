<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;

/** Somebody was first; the message says who and when. */
final class AlreadySigned extends \DomainException
{
    public static function of(Visit $visit): self
    {
        $note = $visit->notes()->oldest('revision')->first();
        $by = $note === null ? 'Somebody' : (string) User::query()->whereKey($note->signed_by)->value('name');
        $at = CarbonImmutable::parse($note->signed_at ?? $visit->signed_at)->setTimezone($visit->people()->user->clinic->timezone)
            ->format('H:i');

        return new self(__(':name signed this visit at :time. Nothing was signed twice; what you would add is a correction.', [
            'name' => $by, 'time' => $at,
        ]));
    }
}
