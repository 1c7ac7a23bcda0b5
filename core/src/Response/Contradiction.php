<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\Measures\Measure;

/** Pain says one thing and what the body can do says the other: until that is clear nothing goes a step further. */
final readonly class Contradiction
{
    private function __construct(public string $words)
    {
    }

    /**
     * @param  list<Measure>  $measures
     * @return self|null null where they agree, or where one of them is not known
     */
    public static function in(array $measures, CaseFile $case): ?self
    {
        [$pain, $able] = [['better' => [], 'worse' => []], ['better' => [], 'worse' => self::weaker($case)]];
        foreach ($measures as $measure) {
            $last = count($measure->series) - 1;
            if ($last < 1 || $measure->series[$last][0] !== $case->asOf->format('Y-m-d')) {
                continue;
            }
            $difference = $measure->series[$last][1] - $measure->series[$last - 1][1];
            if (! $measure->isReal($difference)) {
                continue;
            }
            $way = $measure->isBetter($difference) ? 'better' : 'worse';
            if (str_starts_with($measure->key, 'complaint.')) {
                $pain[$way][] = lcfirst($measure->name);
            } elseif (preg_match('/^(function|range)\./', $measure->key) === 1) {
                $able[$way][] = lcfirst($measure->name);
            }
        }

        return match (true) {
            $pain['better'] !== [] && $able['worse'] !== [] => new self("The pain is really better, and worse is: {$able['worse'][0]}."),
            $pain['worse'] !== [] && $able['better'] !== [] => new self("The pain is really worse, and better is: {$able['better'][0]}."),
            default => null,
        };
    }

    /** @return list<string> what is weaker by a grade than at the last visit it was tried at */
    private static function weaker(CaseFile $case): array
    {
        $before = [];
        foreach ($case->history as $visit) {
            foreach ($visit->findings->resisted as $finding) {
                $before["{$finding->movement}:{$finding->side->value}"] = $finding->strength;
            }
        }
        $weaker = array_filter(
            $case->findings->resisted,
            static fn (ResistedFinding $now): bool => $now->strength !== null
                && $now->strength < ($before["{$now->movement}:{$now->side->value}"] ?? 0),
        );

        return array_values(array_map(
            static fn (ResistedFinding $one): string => 'strength, '.str_replace(['.', '_'], ' ', $one->movement).", {$one->side->value}",
            $weaker,
        ));
    }
}
