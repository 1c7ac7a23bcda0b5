<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

/**
 * A case as the tables of the ranking say it, findings parted by ";":
 *   hurts ZONE SIDE [now N] [spreads ZONE] [worse DEMAND] [feels QUALITY]
 *   felt MUSCLE SIDE, then any of: at SITE, tender N, tone T, band, nodule, stuck, own, not own, sends ZONE
 *   moves MOVEMENT SIDE [N degrees] [passive N] [hurts N] [end FEEL] · resists MOVEMENT SIDE [strength N] [hurts N]
 *   looks SIGN SIDE GRADE · tests TEST SIDE RESULT (a number where it measures) [at LEVEL] [hurts N] [into ZONE] · days DEMAND [SIDE]
 */
final readonly class SpokenFindings
{
    public static function make(string $findings): CaseBuilder
    {
        $case = CaseBuilder::aCase();
        $days = [];
        foreach (array_map(trim(...), explode(';', $findings)) as $finding) {
            $words = explode(' ', $finding);
            $after = array_slice($words, 3);
            match ($words[0]) {
                'hurts' => $case->add(
                    'findings', 'complaints',
                    ['zone' => $words[1], 'side' => $words[2], 'now' => 5.0, ...self::complaint($after, $words[2])],
                ),
                'felt' => $case->felt($words[1], $words[2], self::felt($after, $words[2])),
                'moves' => $case->range($words[1], $words[2], self::measured($after)),
                'resists' => $case->add('findings', 'resisted', ['movement' => $words[1], 'side' => $words[2], ...self::measured($after)]),
                'looks' => $case->add('findings', 'posture', ['sign' => $words[1], 'side' => $words[2], 'grade' => (int) $words[3]]),
                'tests' => $case->add(
                    'findings', 'tests',
                    [
                        'test' => $words[1], 'side' => $words[2],
                        ...is_numeric($words[3]) ? ['value' => (float) $words[3]] : ['result' => $words[3]],
                        ...self::tested($after, $words[2]),
                    ],
                ),
                'days' => $days[] = ['demand' => $words[1], ...isset($words[2]) ? ['side' => $words[2]] : []],
                default => throw new \UnexpectedValueException("\"$finding\" says nothing that is known"),
            };
        }

        return $days === [] ? $case : $case->with(['demands' => $days]);
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    private static function complaint(array $words, string $side): array
    {
        return self::pairs($words, static fn (string $word, string $next): array => match ($word) {
            'now' => ['now' => (float) $next],
            'spreads' => ['spreads_to' => [['zone' => $next, 'side' => $side]]],
            'worse' => ['worse_with' => [['demand' => $next]]],
            'feels' => ['qualities' => [$next]],
            default => [],
        });
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    private static function measured(array $words): array
    {
        $measured = is_numeric($words[0]) ? ['active' => (float) $words[0]] : [];

        return [...$measured, ...self::pairs($words, static fn (string $word, string $next): array => match ($word) {
            'passive' => ['passive' => (float) $next],
            'hurts' => ['pain' => (float) $next],
            'end' => ['end_feel' => $next],
            'strength' => ['strength' => (int) $next],
            default => [],
        })];
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    private static function tested(array $words, string $side): array
    {
        return self::pairs($words, static fn (string $word, string $next): array => match ($word) {
            'at' => ['segment' => $next],
            'hurts' => ['pain' => (float) $next],
            'into' => ['refers_to' => [['zone' => $next, 'side' => $side === 'midline' ? 'right' : $side]]],
            default => [],
        });
    }

    /**
     * @param  list<string>  $words
     * @return array<string, mixed>
     */
    private static function felt(array $words, string $side): array
    {
        return self::pairs($words, static fn (string $word, string $next, string $before): array => match ($word) {
            'at' => ['site' => $next],
            'tender' => ['tenderness' => (int) $next],
            'tone' => ['tone' => $next],
            'band' => ['texture' => ['taut_band']],
            'nodule' => ['texture' => ['nodule']],
            'stuck' => ['texture' => ['stuck_layers']],
            'own' => ['familiar' => $before === 'not' ? 'no' : 'yes'],
            'sends' => ['refers_to' => [['zone' => $next, 'side' => $side]]],
            default => [],
        });
    }

    /**
     * @param  list<string>  $words
     * @param  \Closure(string, string, string): array<string, mixed>  $says  of a word, the next and the one before
     * @return array<string, mixed>
     */
    private static function pairs(array $words, \Closure $says): array
    {
        $said = [];
        foreach ($words as $index => $word) {
            $said = [...$said, ...$says($word, $words[$index + 1] ?? '', $words[$index - 1] ?? '')];
        }

        return $said;
    }
}
