<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

/** The facts of a row of planning.txt or handwork.txt as a case; the head of planning.txt says what each fact means. */
final readonly class TableCase
{
    public static function of(string $facts): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        $since = [];
        foreach (array_map(trim(...), explode(';', $facts)) as $fact) {
            if (str_starts_with($fact, 'since ')) {
                $since = ['since' => (new \DateTimeImmutable('2026-03-02'))->modify('-'.substr($fact, 6).' days')->format('Y-m-d')];
            }
        }
        foreach (array_map(trim(...), explode(';', $facts)) as $fact) {
            [$what, $rest] = [...explode(' ', $fact, 2), ''];
            $words = explode(' ', $rest);
            $list = array_map(trim(...), explode(',', $rest));
            $one = ['muscle' => $words[0], 'side' => $words[1] ?? ''];
            $known = $what === 'known' ? $case->toArray()['exposure'] ?? [] : [];
            match ($what) {
                'hurts' => $case->add(
                    'findings', 'complaints', ['zone' => $words[0], 'side' => $words[1], 'now' => (float) $words[2], ...$since],
                ),
                'sore' => $case->felt(
                    $words[0], $words[1], ['tenderness' => (int) $words[2], 'familiar' => 'yes', 'texture' => ['taut_band']],
                ),
                'felt' => $case->felt($words[0], $words[1], ['tenderness' => (int) $words[2]]),
                'stuck' => $case->felt($words[0], $words[1], ['tenderness' => 2, 'texture' => ['stuck_layers']]),
                'swollen' => $case->felt($words[0], $words[1], ['tenderness' => 2, 'texture' => ['swollen', 'warm']]),
                'spasm' => $case->felt($words[0], $words[1], ['tenderness' => 3, 'tone' => 'spasm']),
                'known' => $case->with(['exposure' => [...$known, [...$one, 'visits' => (int) $words[2]]]]),
                'spring' => $case->add(
                    'findings', 'tests',
                    [
                        'test' => 'segment_spring', 'segment' => $words[0], 'side' => $words[1], 'value' => (float) $words[2],
                        ...isset($words[3]) ? ['end_feel' => $words[3]] : [],
                    ],
                ),
                'neck' => array_reduce(['left', 'right'], static fn (CaseBuilder $one, string $side): CaseBuilder => $one->add(
                    'findings', 'tests', ['test' => 'positional_artery', 'side' => $side, 'result' => 'negative', 'seconds' => 30],
                ), $case->add('findings', 'tests', ['test' => 'cervical_compression', 'side' => 'midline', 'result' => 'negative'])),
                'test' => $case->add('findings', 'tests', [
                    'test' => $words[0], 'side' => $words[1], 'value' => (float) $words[2],
                    ...isset($words[3]) ? ['segment' => $words[3]] : [],
                ]),
                'moves' => $case->range(
                    $words[0], $words[1], ['passive' => (float) $words[2], ...isset($words[3]) ? ['end_feel' => $words[3]] : []],
                ),
                'has' => $case->condition($words[0], [
                    ...in_array($words[1] ?? '', ['acute', 'subacute', 'late', 'settled'], true)
                        ? ['stage' => $words[1], 'severity' => 'mild']
                        : ['severity' => $words[1] ?? 'mild'],
                    ...isset($words[3]) ? ['zones' => [['zone' => $words[2], 'side' => $words[3]]]] : [],
                ]),
                'tingles' => $case->add(
                    'findings', 'complaints', ['zone' => $words[0], 'side' => $words[1], 'now' => 4, 'qualities' => ['tingling']],
                ),
                'aged' => $case->aged((int) $rest),
                'agreed' => $case->agreed(...$list),
                'minutes' => $case->with(['session' => ['minutes' => (int) $rest]]),
                'lies' => $case->with(['session' => ['positions_possible' => $list]]),
                'stoic' => $case->with(['client' => ['stoic' => true]]),
                'bears' => $case->add(
                    'findings', 'feedback',
                    ['zone' => $words[2], 'side' => 'left', 'kpa' => (float) $words[0], 'felt' => (float) $words[1]],
                ),
                'treats' => $case->with(['therapist' => ['experience' => $rest]]),
                'weighs' => $case->with(['therapist' => ['mass_kg' => (float) $rest]]),
                'injured' => $case->with(['therapist' => ['injured' => $list]]),
                'owns' => $case->with(['therapist' => ['tools' => $list]]),
                'used' => $case->with(['therapist' => ['load_today' => [$words[0] => (float) $words[1]]]]),
                'budget' => $case->with(['therapist' => ['budgets' => [$words[0] => ['day' => (float) $words[1]]]]]),
                'off' => $case->with(['therapist' => ['scope_off' => $list]]),
                'school' => $case->with(['session' => ['school' => [$words[0] => $words[1]]]]),
                'bring' => $case->with(['session' => ['targets' => [self::joint($words)]]]),
                'without' => $case->with(['session' => ['dropped' => [self::joint($words)]]]),
                'drop' => $case->with(['session' => ['dropped' => [$one]]]),
                'lock' => $case->with(['session' => ['targets' => [[...$one, 'lock' => true]]]]),
                'stopped' => $case->with(['session' => ['done_steps' => [[...$one, 'minutes' => 2, 'stopped' => true]]]]),
                'since' => null,
                default => throw new \UnexpectedValueException("\"$fact\" says nothing that is known"),
            };
        }

        return $case;
    }

    /**
     * @param  list<string>  $words  kind, level, side
     * @return array<string, mixed>
     */
    private static function joint(array $words): array
    {
        return ['joint' => ['kind' => $words[0], 'level' => $words[1] ?? ''], 'side' => $words[2] ?? ''];
    }
}
