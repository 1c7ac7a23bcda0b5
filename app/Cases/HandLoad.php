<?php

declare(strict_types=1);

namespace App\Cases;

use App\Models\Appointment;
use App\Models\User;
use App\Models\Visit;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Somatrace\Core\Clinic;
use Somatrace\Core\Handwork\DayOfHands;
use Somatrace\Core\Treatment\Fold;

/**
 * What a day has asked of somebody's hands so far: minutes of firm pressure, by tool. Of a visit in which something was done, what was
 * done; of one whose plan was agreed and waits, what was agreed.
 */
final readonly class HandLoad
{
    /** Days, this one among them. */
    private const WEEK = 7;

    public function __construct(private Clinic $clinic)
    {
    }

    /**
     * @return array{today: array<string, float>, week: array<string, float>} of the day until this visit began, and of the six before it
     */
    public function behind(Visit $visit): array
    {
        $dawn = self::dawn($visit);
        $visits = $this->before($visit)->pluck('started_at', 'id');
        $from = $dawn->utc()->format('Y-m-d H:i:s');
        $by = $this->byVisit(array_map(intval(...), array_values($visits->keys()->all())));
        $today = array_filter($by, static fn (int $id): bool => $visits[$id] >= $from, ARRAY_FILTER_USE_KEY);

        return ['today' => self::sum($today), 'week' => self::sum(array_diff_key($by, $today))];
    }

    /** @return array<string, Builder> one value each of what `behind` is reckoned from: where all are as they were, so is the load */
    public function marks(Visit $visit): array
    {
        $visits = $this->before($visit);
        $counted = static fn (string $table, string $count): Builder => DB::table($table)->selectRaw($count)
            ->whereIn('visit_id', $visits->clone()->select('id'));

        return [
            'hands_visits' => $visits->clone()->selectRaw("count(*) || '.' || coalesce(sum(id * strftime('%s', started_at)), 0)"),
            'hands_events' => $counted('treatment_events', "count(*) || '.' || count(fault)"),
            'hands_plans' => $counted('plans', 'count(*)'),
        ];
    }

    /** Of whoever treats, in the days that count, before this one. */
    private function before(Visit $visit): Builder
    {
        return $this->visits($visit->user, self::dawn($visit)->subDays(self::WEEK - 1)->utc(), $visit->started_at)
            ->where('id', '!=', $visit->id);
    }

    private static function dawn(Visit $visit): CarbonImmutable
    {
        return $visit->started_at->setTimezone($visit->user->clinic->timezone)->startOfDay();
    }

    /** @return array<string, float> of visits that began from one moment until before another */
    private function of(User $user, CarbonImmutable $from, CarbonImmutable $to): array
    {
        return self::sum($this->byVisit(array_map(intval(...), array_values($this->visits($user, $from, $to)->pluck('id')->all()))));
    }

    private function visits(User $user, CarbonImmutable $from, CarbonImmutable $to): Builder
    {
        return DB::table('visits')->where('user_id', $user->id)->where('origin', '!=', 'elsewhere')
            ->where('started_at', '>=', $from)->where('started_at', '<', $to);
    }

    /**
     * @param  array<int, array<string, float>>  $visits
     * @return array<string, float> minutes, to a tenth, by tool
     */
    private static function sum(array $visits): array
    {
        $load = [];
        foreach ($visits as $ofVisit) {
            foreach ($ofVisit as $tool => $minutes) {
                $load[$tool] = ($load[$tool] ?? 0.0) + $minutes;
            }
        }
        ksort($load);

        return array_map(static fn (float $minutes): float => round($minutes, 1), $load);
    }

    /**
     * @param  list<int>  $visits
     * @return array<int, array<string, float>> what was done in each, or agreed where nothing was done yet; those with neither are left out
     */
    private function byVisit(array $visits): array
    {
        if ($visits === []) {
            return [];
        }
        $rows = TableEvents::rows($visits);
        $plans = DB::table('plans')->whereIn('visit_id', array_diff($visits, array_keys($rows)))->orderBy('id')
            ->pluck('document', 'visit_id');

        return array_map($this->done(...), $rows) + $plans->map(self::agreed(...))->all();
    }

    /**
     * The whole day: what was done and agreed, and of those who are still booked what they asked last time.
     *
     * @param  array{CarbonImmutable, CarbonImmutable}  $day
     * @param  Collection<int, Appointment>  $booked  of the day, in its order
     */
    public function day(User $user, array $day, Collection $booked): DayOfHands
    {
        $ahead = $booked->filter(
            static fn (Appointment $one): bool => $one->user_id === $user->id && $one->status === 'booked'
                && ($one->visit === null || ! $one->visit->plans()->exists()),
        );
        // of each the last visit that asked anything of hands
        $last = DB::table('visits')->whereIn('client_id', $ahead->pluck('client_id')->unique())
            ->where(static fn ($query) => $query
                ->whereExists(DB::table('treatment_events')->whereColumn('visit_id', 'visits.id'))
                ->orWhereExists(DB::table('plans')->whereColumn('visit_id', 'visits.id')))
            ->orderBy('number')->pluck('id', 'client_id');
        $asked = $this->byVisit(array_values($last->all()));
        $parts = $this->clinic->atlas()->byPartOfHand(...);
        $own = $user->handBudgets();
        $budgets = [];
        foreach ($this->clinic->handBudgets() as $part => $one) {
            $budgets[$part] = ['name' => $one['name'], 'day' => $own[$part]['day'] ?? $one['day']];
        }

        return new DayOfHands($budgets, $parts($this->of($user, ...$day)), array_values($ahead->map(static fn (Appointment $one): array => [
            'who' => $one->client->name, 'load' => $parts($asked[$last->get($one->client_id)] ?? []),
        ])->all()));
    }

    /** @return array<string, float> */
    private static function agreed(mixed $plan): array
    {
        return array_map(floatval(...), (array) (json_decode((string) $plan, true)['therapist_load'] ?? []));
    }

    /**
     * @param  list<\stdClass>  $rows
     * @return array<string, float>
     */
    private function done(array $rows): array
    {
        $load = [];
        foreach (Fold::of([], TableEvents::events($rows))->steps as $step) {
            foreach ($step->contacts as $one) {
                $tool = $one->tool ?? $step->told('tool');
                if ($tool !== null) {
                    $load[$tool] = ($load[$tool] ?? 0.0) + ($one->pressure >= $this->clinic->firmFrom() ? $one->seconds / 60 : 0.0);
                }
            }
        }

        return $load;
    }
}
