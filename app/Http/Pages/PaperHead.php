<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Visit;
use Carbon\CarbonImmutable;

/** Who, when and by whom: the head of every paper of a visit. */
final readonly class PaperHead
{
    /** @return array{visit: array<string, mixed>, client: array<string, mixed>, clinic: string, therapist: string} */
    public static function of(Visit $visit): array
    {
        $visit->people();

        return [
            'visit' => [
                'id' => $visit->public_id, 'number' => $visit->number,
                'date' => $visit->user->clinic->dateWords(CarbonImmutable::parse($visit->day())),
            ],
            'client' => [
                'id' => $visit->client->public_id, 'name' => $visit->client->name, 'code' => $visit->client->code,
                'words' => Words::of($visit->client),
            ],
            'clinic' => $visit->user->clinic->name, 'therapist' => $visit->user->name,
        ];
    }
}
