<?php

declare(strict_types=1);

namespace App\Actions;

use App\Cases\CheckInAnswers;
use App\Models\CheckIn;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;

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
        $backs = $last === null ? new Collection : CheckIn::query()
            ->where('client_id', $visit->client_id)->whereNotNull('sent_at')->whereNull('visit_id')
            ->whereRelation('after', 'number', $last)
            ->orderBy('sent_at')->get();
        $told = [];
        foreach ($backs as $back) {
            $told = self::later($told, (array) ($back->answers['after'] ?? []));
        }
        if ($told !== []) {
            $said = CarbonImmutable::parse((string) $backs->last()?->sent_at)->setTimezone($user->clinic->timezone)->toDateString();
            $this->save->all($visit, $user, $this->answers->entries(['after' => $told]), $said);
        }
        foreach ($backs as $back) {
            $back->update(['visit_id' => $visit->id]);
        }
    }

    /**
     * Who was asked twice knows more the second time; what worried once is not unsaid by silence.
     *
     * @param  array<mixed>  $before
     * @param  array<mixed>  $now
     * @return array<mixed>
     */
    private static function later(array $before, array $now): array
    {
        $worrying = array_values(array_unique([...(array) ($before['worrying'] ?? []), ...(array) ($now['worrying'] ?? [])]));

        return [...$before, ...$now, ...$worrying === [] ? [] : ['worrying' => $worrying]];
    }
}
