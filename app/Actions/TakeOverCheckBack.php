<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\CheckInAnswers;
use App\Models\CheckIn;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;

/**
 * What a client answered between two visits stands at the beginning of the next one as how it was afterwards, with the day it was said;
 * it is asked again only where it was not answered.
 */
final readonly class TakeOverCheckBack
{
    public function __construct(private CheckInAnswers $answers, private SaveEntry $save)
    {
    }

    public function handle(Visit $visit, User $user): void
    {
        $last = Visit::query()->where('client_id', $visit->client_id)->where('number', '<', $visit->number)->max('number');
        $backs = $last === null ? [] : CheckIn::query()
            ->where('client_id', $visit->client_id)->whereNotNull('sent_at')->whereNull('visit_id')
            ->whereRelation('after', 'number', $last)
            ->orderBy('sent_at')->get();
        foreach ($backs as $back) {
            $said = CarbonImmutable::parse((string) $back->sent_at)->setTimezone($user->clinic->timezone)->toDateString();
            $this->save->all($visit, $user, $this->answers->entries($back->answers), $said);
            $back->update(['visit_id' => $visit->id]);
        }
    }
}
