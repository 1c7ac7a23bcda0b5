<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Planning\StepKind;
use Somatrace\Core\Treatment\AgreedStep;
use Somatrace\Core\Treatment\StepState;
use Somatrace\Core\Treatment\TreatmentState;

/**
 * What was agreed and what was done of it, gathered by target: of a woven plan the rounds on one muscle are one piece of work.
 *
 * @phpstan-type Gathered array{kind: 'treat'|'cold'|'soothe'|'warm_up'|'finish', key: string, muscle: string|null, side: Side,
 * name: string, position: string|null, techniques: array<string, float>, tools: array<string, float>, spots: array<string, true>,
 * pressures: list<float>, seconds: float, numbers: list<float>, signs: list<string>, stopped: bool, places: array<string, Place>}
 */
final readonly class WorkReader
{
    private const TOLD = [StepKind::Treat, StepKind::Cold, StepKind::Soothe, StepKind::WarmUp, StepKind::Finish];

    /**
     * @param  list<AgreedStep>  $steps  of every plan that was agreed
     * @return list<Worked> in the order in which each was first touched
     */
    public static function worked(array $steps, TreatmentState $state): array
    {
        $of = array_column($steps, null, 'id');
        $gathered = [];
        foreach ($state->steps as $id => $one) {
            $step = $of[$id] ?? AgreedStep::from(['id' => $id, 'kind' => 'treat', 'muscle' => $one->muscle, 'side' => $one->side]);
            if ($step->kind === null || ! in_array($step->kind, self::TOLD, true) || ! self::isTouched($one, $step->kind)) {
                continue;
            }
            $key = self::key($step);
            $gathered[$key] = self::more($gathered[$key] ?? self::nothing($step, $key), $step, $one);
        }

        return array_values(array_map(self::made(...), $gathered));
    }

    /**
     * @param  list<AgreedStep>  $steps  of the plan that stands
     * @return list<string> names of what was agreed to be worked and was not, in the order of the plan
     */
    public static function passedOver(array $steps, TreatmentState $state): array
    {
        $names = [];
        $touched = [];
        foreach ($steps as $step) {
            if ($step->kind === StepKind::Treat) {
                $key = self::key($step);
                $one = $state->steps[$step->id] ?? null;
                $names[$key] = $step->label;
                $touched[$key] = ($touched[$key] ?? false) || ($one !== null && self::isTouched($one, StepKind::Treat));
            }
        }

        return array_values(array_filter(
            $names, static fn (string $name, string $key): bool => $name !== '' && ! $touched[$key], ARRAY_FILTER_USE_BOTH,
        ));
    }

    /**
     * What a visit from elsewhere, or an older record, says was done.
     *
     * @param  array<array-key, mixed>  $done  an entry of the case file
     */
    public static function told(array $done, int $index): Worked
    {
        $text = static fn (string $key): ?string => is_string($done[$key] ?? null) ? $done[$key] : null;
        $amount = static fn (string $key): float => is_numeric($done[$key] ?? null) ? (float) $done[$key] : 0.0;
        $joint = is_array($done['joint'] ?? null) ? implode(' ', array_filter($done['joint'], is_string(...))) : '';

        return new Worked(
            'treat', "told:$index", $text('muscle'), Side::tryFrom($text('side') ?? '') ?? Side::Midline,
            str_replace('_', ' ', $joint), null,
            array_filter([$text('technique') ?? '']), array_filter([$text('tool') ?? '']), [], 0.0, $amount('max_pressure'),
            $amount('seconds_at_pressure') > 0 ? $amount('seconds_at_pressure') : $amount('minutes') * 60, [],
            array_values(array_filter((array) ($done['signs'] ?? []), is_string(...))),
        );
    }

    private static function isTouched(StepState $one, StepKind $kind): bool
    {
        return $one->contacts !== [] || (
            $one->end() === 'done' && $kind !== StepKind::Treat
        ) || ($one->end() === 'stopped' && $one->isStarted);
    }

    private static function key(AgreedStep $step): string
    {
        return match (true) {
            $step->kind === StepKind::WarmUp, $step->kind === StepKind::Finish => $step->kind->value,
            $step->target !== null => $step->target,
            $step->muscle !== null => "$step->muscle:$step->side",
            default => $step->id,
        };
    }

    /** @return Gathered */
    private static function nothing(AgreedStep $step, string $key): array
    {
        return [
            'kind' => match ($step->kind) {
                StepKind::Cold => 'cold', StepKind::Soothe => 'soothe', StepKind::WarmUp => 'warm_up', StepKind::Finish => 'finish',
                default => 'treat',
            },
            'key' => $key, 'muscle' => $step->muscle, 'side' => Side::tryFrom($step->side ?? '') ?? Side::Midline, 'name' => $step->label,
            'position' => $step->position, 'techniques' => [], 'tools' => [], 'spots' => [], 'pressures' => [], 'seconds' => 0.0,
            'numbers' => [], 'signs' => [], 'stopped' => false, 'places' => [],
        ];
    }

    /**
     * @param  Gathered  $gathered
     * @return Gathered
     */
    private static function more(array $gathered, AgreedStep $step, StepState $one): array
    {
        foreach ($one->contacts as $contact) {
            $part = $step->parts[$contact->part ?? -1] ?? null;
            $technique = $part['technique'] ?? $one->told('technique') ?? $step->technique;
            $tool = $contact->tool ?? $part['tool'] ?? $one->told('tool') ?? $step->tool;
            if ($technique !== null) {
                $gathered['techniques'][$technique] = ($gathered['techniques'][$technique] ?? 0.0) + $contact->seconds;
            }
            if ($tool !== null) {
                $gathered['tools'][$tool] = ($gathered['tools'][$tool] ?? 0.0) + $contact->seconds;
            }
            foreach ($contact->spots as $spot) {
                $at = $part === null ? false : array_search($spot, $part['spots'], true);
                $gathered['spots'][($at === false ? null : $part['names'][$at] ?? null) ?? str_replace('_', ' ', $spot)] = true;
            }
            $gathered['seconds'] += $contact->seconds;
            $gathered['pressures'] = $contact->pressure > 0 ? [...$gathered['pressures'], $contact->pressure] : $gathered['pressures'];
        }
        $gathered['seconds'] += $one->contacts === [] && $step->kind !== StepKind::Treat ? $one->clockSeconds() ?? 0.0 : 0.0;
        $gathered['numbers'] = [...$gathered['numbers'], ...$one->numbers];
        $gathered['signs'] = array_values(array_unique([...$gathered['signs'], ...$one->signs]));
        foreach ($step->places as $place) {
            $gathered['places'][$place->key()] = $place;
        }
        $gathered['stopped'] = $gathered['stopped'] || $one->end() === 'stopped';

        return $gathered;
    }

    /** @param  Gathered  $one */
    private static function made(array $one): Worked
    {
        $byTime = static function (array $seconds): array {
            arsort($seconds);

            return array_map(strval(...), array_keys($seconds));
        };

        return new Worked(
            $one['kind'], $one['key'], $one['muscle'], $one['side'], $one['name'], $one['position'], $byTime($one['techniques']),
            $byTime($one['tools']), array_map(strval(...), array_keys($one['spots'])),
            $one['pressures'] === [] ? 0.0 : min($one['pressures']), $one['pressures'] === [] ? 0.0 : max($one['pressures']),
            $one['seconds'], $one['numbers'], $one['signs'], $one['stopped'],
            array_values($one['places']),
        );
    }
}
