<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;

/** Sets what was measured today beside the usual, the other side, the last time and the first. */
final readonly class Comparing
{
    public function __construct(private Atlas $atlas, private MeasureFigures $figures)
    {
    }

    /** @return list<Comparison> of every measure taken today, in the order of their keys and sides */
    public function of(CaseFile $case): array
    {
        $today = $case->asOf->format('Y-m-d');
        $measures = [];
        foreach ((new MeasureBook($this->atlas, $this->figures))->of($case) as $measure) {
            if ($measure->series[count($measure->series) - 1][0] === $today) {
                $measures[$measure->key][$measure->side->value] = $measure;
            }
        }
        $compared = [];
        foreach ($measures as $sides) {
            foreach ($sides as $measure) {
                $compared[] = $this->compare($measure, $sides[$measure->side->mirrored()->value] ?? null);
            }
        }

        return $compared;
    }

    private function compare(Measure $measure, ?Measure $across): Comparison
    {
        $series = $measure->series;
        $last = count($series) - 1;
        $value = $series[$last][1];
        $norm = $this->norm($measure->key);

        return new Comparison($measure, $value, $norm, array_values(array_filter([
            $norm === null
                ? null
                : $this->beside('usual', $measure, $value, $norm, $measure->mdc, 'the usual '.$this->figure($norm, $measure->unit)),
            $across === null || $measure->side === Side::Midline
                ? null
                : $this->beside(
                    'other_side', $measure, $value, $across->series[count($across->series) - 1][1], $this->sideError($measure, $across),
                    'the '.$across->side->value,
                ),
            $last < 1 ? null : $this->beside('last', $measure, $value, $series[$last - 1][1], $measure->mdc, 'last time'),
            $last < 2 ? null : $this->beside('first', $measure, $value, $series[0][1], $measure->mdc, 'at first'),
        ])));
    }

    /** @param  'usual'|'other_side'|'last'|'first'  $what */
    private function beside(string $what, Measure $measure, float $value, float $other, float $error, string $name): Compared
    {
        $difference = $value - $other;
        $real = $measure->isReal($difference, $error);
        $better = $measure->isBetter($difference);
        $change = in_array($what, ['last', 'first'], true);
        $matters = $change ? $this->matters($measure->key, $difference, $other, $real) : null;
        $size = $this->figure(abs($difference), $measure->unit);
        $words = match (true) {
            $real => "$size ".($difference > 0 ? 'more' : 'less')." than $name".(
                $change
                    ? ': real, '.($better ? 'better' : 'worse').(
                        $matters === null ? '' : ($matters ? ', and it matters' : ', too little to matter')
                    ).(
                        $matters === true && $this->large($difference, $other) ? ' much' : ''
                    )
                    : ($what === 'other_side' ? ': a real difference' : '')
            ),
            abs($difference) < 1e-9 => "the same as $name",
            default => "$size ".($difference > 0 ? 'more' : 'less')." than $name: "
                ."within measuring error ({$this->figure($error, $measure->unit)})",
        };

        return new Compared($what, $other, $difference, $real, $better, $matters, $words);
    }

    /** Nobody has set what matters but for pain: 2 points or 30 %, and only if real (Farrar 2001). */
    private function matters(string $key, float $difference, float $other, bool $real): ?bool
    {
        if (! str_starts_with($key, 'complaint.')) {
            return null;
        }

        return $real
            && (
                abs($difference) + 1e-9 >= $this->figures->painMattersPoints
                    || ($other > 0 && abs($difference) / $other + 1e-9 >= $this->figures->painMattersShare)
            );
    }

    private function large(float $difference, float $other): bool
    {
        return $other > 0 && -$difference / $other + 1e-9 >= $this->figures->painLargeShare;
    }

    /** Between two sides the one that strays more decides, so that both say the same. */
    private function sideError(Measure $measure, Measure $across): float
    {
        return str_ends_with($measure->key, '.ppt') ? $this->figures->pptSideKpa : max($measure->mdc, $across->mdc);
    }

    private function norm(string $key): ?float
    {
        [$kind, $id] = [strtok($key, '.'), substr($key, (int) strpos($key, '.') + 1)];

        return match ($kind) {
            'range' => $this->atlas->movement(substr($id, 0, (int) strrpos($id, '.')))->norm,
            'test' => $this->atlas->test(explode('.', $id)[0])->norm,
            default => null,
        };
    }

    private function figure(float $value, string $unit): string
    {
        $number = (string) round($value, 1);

        return match ($unit) {
            'deg' => "{$number}°",
            'mm', 'cm', 'kg' => "$number $unit",
            'kPa' => round($value).' kPa',
            default => "$number ".match ($unit) {
                '0–10' => 'point',
                '0–4', 'grade' => 'grade',
                default => 'step',
            }.($number === '1' ? '' : 's'),
        };
    }
}
