<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Tool;
use Somatrace\Core\CaseFile\Therapist;

/** Minutes of firm pressure the hands have left: of each part of them what a visit may cost, or what is left of the day or the week. */
final readonly class HandBudgets
{
    /** @var array<string, float> by part of the hand; below nought when the day or the week was longer than its budget */
    private array $left;

    public function __construct(private Atlas $atlas, private PlanFigures $figures, Therapist $therapist, SoFar $soFar)
    {
        $left = [];
        [$today, $week, $done] = array_map($this->atlas->byPartOfHand(...), [$therapist->loadToday, $therapist->loadWeek, $soFar->load()]);
        foreach ($figures->handBudgets as $part => $usual) {
            ['visit' => $ofVisit, 'day' => $ofDay, 'week' => $ofWeek] = $usual;
            foreach ($therapist->budgets as $tool => $own) {
                if ($atlas->tool($tool)->costs === $part) {
                    $ofVisit = $own['visit'] ?? $ofVisit;
                    $ofDay = $own['day'] ?? $ofDay;
                    $ofWeek = $own['week'] ?? $ofWeek;
                }
            }
            // the week until today, and today
            $before = ($week[$part] ?? 0.0) + ($today[$part] ?? 0.0);
            $left[$part] = min($ofVisit, $ofDay - ($today[$part] ?? 0.0), $ofWeek - $before) - ($done[$part] ?? 0.0);
        }
        $this->left = $left;
    }

    public function isSpent(Tool $tool): bool
    {
        return $this->left[$tool->costs] <= 0;
    }

    /**
     * The parts that would cost more than they have left.
     *
     * @param  array<string, float>  $load  minutes at firm pressure, by tool
     * @return list<string>
     */
    public function over(array $load): array
    {
        $over = [];
        foreach ($this->atlas->byPartOfHand($load) as $part => $minutes) {
            if ($minutes > max(0.0, $this->left[$part]) + 1e-9) {
                $over[] = $part;
            }
        }

        return $over;
    }

    /**
     * What a plan asks of each part of the hand, and what that part has.
     *
     * @param  array<string, float>  $load  minutes at firm pressure, by tool
     * @return list<array{part: string, name: string, minutes: float, of: float}>
     */
    public function asked(array $load): array
    {
        $asked = $this->atlas->byPartOfHand($load);

        return array_map(fn (string $part): array => [
            'part' => $part, 'name' => $this->figures->handBudgets[$part]['name'], 'minutes' => round($asked[$part] ?? 0.0, 2),
            'of' => round(max(0.0, $this->left[$part]), 1),
        ], array_keys($this->left));
    }

    /** Why no more is done with a part of the hand. */
    public function words(string $part): string
    {
        return ucfirst($this->figures->handBudgets[$part]['name']).': '.round(max(0.0, $this->left[$part]), 1)
            .' firm minutes are left for this visit.';
    }

    /**
     * How strong a tool may still feel once its part of the hand is used up or is to be spared: that part rests altogether, or does what
     * is not firm.
     */
    public function capOn(Tool $tool): Cap
    {
        ['name' => $name, 'rests' => $rests] = $this->figures->handBudgets[$tool->costs];

        return $rests
            ? new Cap(0, 'hands', "The $name rest: enough of them today.")
            : new Cap($this->figures->firmFrom - 0.5, 'hands', "Nothing firm with the $name: enough of them today.");
    }
}
