<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\Measures\Measure;

/**
 * Pain says one thing and what the body can do says the other: until that is clear nothing goes a step further. Of many movements some
 * stray by chance: more than that must differ before they speak against the pain.
 */
final readonly class Contradiction
{
    private function __construct(public string $words)
    {
    }

    /**
     * @param  list<Measure>  $measures
     * @return self|null null where they agree, or where one of them is not known
     */
    public static function in(array $measures, CaseFile $case, ResponseFigures $figures): ?self
    {
        $pain = $tasks = $moves = ['better' => [], 'worse' => []];
        [$weaker, $tried] = self::weaker($case);
        $moved = $tried;
        foreach ($measures as $measure) {
            $last = count($measure->series) - 1;
            if ($last < 1 || $measure->series[$last][0] !== $case->asOf->format('Y-m-d')) {
                continue;
            }
            $kind = strtok($measure->key, '.');
            $moved += (int) ($kind === 'range');
            $difference = $measure->series[$last][1] - $measure->series[$last - 1][1];
            if (! $measure->isReal($difference)) {
                continue;
            }
            $way = $measure->isBetter($difference) ? 'better' : 'worse';
            match ($kind) {
                'complaint' => $pain[$way][] = lcfirst($measure->name),
                'function' => $tasks[$way][] = lcfirst($measure->name),
                'range' => $moves[$way][] = lcfirst($measure->name),
                default => null,
            };
        }
        $moves['worse'] = [...$moves['worse'], ...$weaker];
        $least = $figures->beyondChance($moved);
        $many = static fn (string $way, string $other): bool => count($moves[$way]) - count($moves[$other]) >= $least;
        $worse = [...$tasks['worse'], ...$many('worse', 'better') ? $moves['worse'] : []];
        $better = [...$tasks['better'], ...$many('better', 'worse') ? $moves['better'] : []];

        return match (true) {
            $pain['better'] !== [] && $worse !== [] => new self("The pain is really better, and worse is: $worse[0]."),
            $pain['worse'] !== [] && $better !== [] => new self("The pain is really worse, and better is: $better[0]."),
            default => null,
        };
    }

    /** @return array{list<string>, int} what is weaker by a grade than at the last visit it was tried at, and how many were tried twice */
    private static function weaker(CaseFile $case): array
    {
        $before = [];
        foreach ($case->history as $visit) {
            foreach ($visit->findings->resisted as $finding) {
                $before["{$finding->movement}:{$finding->side->value}"] = $finding->strength;
            }
        }
        $again = array_filter(
            $case->findings->resisted,
            static fn (ResistedFinding $now): bool => $now->strength !== null && isset($before["{$now->movement}:{$now->side->value}"]),
        );
        $weaker = array_filter(
            $again, static fn (ResistedFinding $now): bool => $now->strength < $before["{$now->movement}:{$now->side->value}"],
        );
        $names = array_map(
            static fn (ResistedFinding $one): string => 'strength, '.str_replace(['.', '_'], ' ', $one->movement).", {$one->side->value}",
            $weaker,
        );
        sort($names);

        return [$names, count($again)];
    }
}
