<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckBackMail;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Writes down when a client who agreed to it is asked by mail how it was; said again it is the same two times. */
final readonly class AskBackByMail
{
    /** @throws ValidationException where there is no address, or both times are over */
    public function handle(Visit $visit, CarbonImmutable $now): void
    {
        if (! is_string($visit->client->email) || $visit->client->email === '') {
            throw ValidationException::withMessages(['mail' => 'There is no mail address of this client. Write it down first.']);
        }
        $ended = $visit->signed_at ?? $visit->stopped_at ?? $now;
        $ahead = array_filter(CheckBackMail::HOURS, static fn (int $hours): bool => $ended->addHours($hours) > $now);
        if ($ahead === []) {
            throw ValidationException::withMessages(['mail' => 'The visit was more than two days ago. Hand out a link instead.']);
        }
        DB::transaction(static function () use ($visit, $ended, $ahead): void {
            foreach ($ahead as $hours) {
                CheckBackMail::query()->firstOrCreate(
                    ['visit_id' => $visit->id, 'hours' => $hours], ['due_at' => $ended->addHours($hours)],
                );
            }
        });
    }
}
