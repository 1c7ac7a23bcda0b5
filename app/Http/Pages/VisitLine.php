<?php

declare(strict_types=1);

namespace App\Http\Pages;

use App\Models\Visit;
use Illuminate\Support\Collection;
use Somatrace\Core\Handwork\ReasonKind;
use Somatrace\Core\Safety\Verdict;

/** The steps of a visit in order, each with its state and, where it is blocked, what it waits for. */
final readonly class VisitLine
{
    public const STEPS = ['ask', 'screen', 'move', 'feel', 'think', 'agree', 'plan', 'work', 'recheck', 'after'];

    /**
     * @param  Collection<int, \App\Models\Entry>  $entries  those that still stand
     * @param  array<string, mixed>  $safety
     * @param  array<string, mixed>|null  $plan  null while it was not needed yet
     * @return list<array{id: string, state: string, note: string}> state: done, part, open or blocked
     */
    public static function of(Visit $visit, Collection $entries, array $safety, ?array $plan, bool $agreed, int $stepsDone): array
    {
        $count = static fn (string ...$kinds): int => $entries->whereIn('kind.value', $kinds)->where('phase', 'before')->count();
        $asks = count(array_filter($safety['questions'], static fn (array $question): bool => $question['blocks']));
        $treats = Verdict::from((string) $safety['verdict'])->allowsTreatment();
        $consents = self::missingConsent($plan);
        $states = [
            'ask' => $count('complaint') > 0 ? ['done', ''] : ['open', ''],
            'screen' => match (true) {
                ! $treats => ['blocked', $safety['verdict'] === 'emergency' ? __('emergency') : __('not today')],
                $asks > 0 => ['part', __(':count to ask', ['count' => $asks])],
                default => ['done', ''],
            },
            'move' => $count('range', 'resisted', 'posture') > 0 ? ['done', ''] : ['open', ''],
            'feel' => $count('palpation') > 0 ? ['done', ''] : ['open', ''],
            'think' => $count('palpation', 'range') > 1 ? ['done', ''] : ['open', ''],
            'agree' => match (true) {
                $consents > 0 => ['part', __(':count to ask', ['count' => $consents])],
                default => [$agreed || $count('consent') > 0 ? 'done' : 'open', ''],
            },
            'plan' => match (true) {
                ! $treats => ['blocked', __('not today')],
                $agreed => ['done', ''],
                default => ['open', ''],
            },
            'work' => match (true) {
                ! $treats => ['blocked', __('not today')],
                $asks > 0 => ['blocked', __('needs answers')],
                ! $agreed => ['blocked', __('needs a plan')],
                default => [$stepsDone > 0 ? 'done' : 'open', ''],
            },
            'recheck' => $entries->where('phase', 'after')->isNotEmpty() ? ['done', ''] : ['open', ''],
            'after' => $visit->isSigned() ? ['done', __('signed')] : ['open', ''],
        ];

        return array_map(
            static fn (string $step): array => ['id' => $step, 'state' => $states[$step][0], 'note' => $states[$step][1]], self::STEPS,
        );
    }

    /** @param  array<string, mixed>|null  $plan */
    private static function missingConsent(?array $plan): int
    {
        return count(array_unique(array_column(
            array_filter($plan['left_out'] ?? [], static fn (array $left): bool => $left['kind'] === ReasonKind::Consent->value), 'id',
        )));
    }
}
