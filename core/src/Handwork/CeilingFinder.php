<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Done;
use Somatrace\Core\Response\Decision;
use Somatrace\Core\Response\ResponseResult;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;

/** How strong work on one muscle may feel today: the lowest of every cap, each with its reason. */
final class CeilingFinder
{
    /** @var array<string, array{non-empty-list<Cap>, list<Cap>}> by muscle and side */
    private array $ownCaps = [];

    /** @var array<string, Ceiling> by what is done where, and by the tool where a limit names it */
    private array $handed = [];

    /**
     * @var array<string, list<array{Done, ?float}>>|null each work with the longest soreness reported after that visit, oldest first, by
     *     muscle and side
     */
    private ?array $worked = null;

    public function __construct(
        private readonly Atlas $atlas,
        private readonly PlanFigures $figures,
        private readonly CaseFile $case,
        private readonly School $school,
        private readonly TouchGate $gate,
        private readonly ResponseResult $response,
        private readonly Exposed $exposed,
    ) {
    }

    public function of(MuscleAt $at, ProposedWork $work): Ceiling
    {
        $ceiling = $this->beforeTool($at, $work);
        if ($work->tool !== null) {
            $tool = $this->atlas->tool($work->tool);
            $ceiling = $ceiling->and(new Cap($tool->strongestFelt, 'tool', "As much as this should give: {$tool->name}."));
        }

        return $work->technique !== null && $this->atlas->technique($work->technique)->onStretch
            ? $ceiling->and(
                new Cap(
                    $ceiling->felt + $this->figures->stretchStep, 'stretch',
                    'On stretch the same feeling comes with less; from: '.lcfirst($ceiling->because()),
                ),
            )
            : $ceiling;
    }

    private function beforeTool(MuscleAt $at, ProposedWork $work): Ceiling
    {
        $key = implode('|', [
            $at->key(), $work->site, $work->technique, $work->product, $work->setup,
            $work->position !== null && $this->gate->heeds($work->position) ? $work->position : '',
            $this->gate->heedsTool($work->tool) ? $work->tool : '', ...array_keys($work->placeKeys),
        ]);
        if (! isset($this->handed[$key])) {
            [$before, $after] = $this->ownCaps[$at->key()] ??= $this->ownCaps($at);
            $this->handed[$key] = Ceiling::lowestOf(...$before, ...array_filter([$this->safety($work)]), ...$after);
        }

        return $this->handed[$key];
    }

    /** @return array{non-empty-list<Cap>, list<Cap>} what caps it whatever is done: told before what safety says there, and after */
    private function ownCaps(MuscleAt $at): array
    {
        $muscle = $this->atlas->muscle($at->muscle);
        $school = $this->figures->schoolCap($this->school->chose('pressure'));
        $bears = $this->figures->robustness($muscle->tissue);

        return [
            [
                new Cap($school, 'school', 'The chosen school of pressure.'),
                new Cap($bears, 'tissue', ucfirst($muscle->tissue->value).' tissue bears no more.'),
                ...array_filter([$this->stoic(min($school, $bears)), $this->firstTime($at, $muscle)]),
            ],
            array_values(array_filter([
                $this->lastAnswer($at), $this->tolerance($at),
                $muscle->mostFelt === null ? null : new Cap($muscle->mostFelt, 'place', 'Light only, for what lies beside it.'),
            ])),
        ];
    }

    private function stoic(float $usual): ?Cap
    {
        return $this->case->client->stoic
            ? new Cap(
                $usual + $this->figures->stoicStep, 'stoic',
                'A stoic client under-reports: one step lower, and watch the signs.',
            )
            : null;
    }

    private function firstTime(MuscleAt $at, Muscle $muscle): ?Cap
    {
        if ($this->exposed->visits($at) > 0) {
            return null;
        }

        return $muscle->tissue === Tissue::Delicate
            ? new Cap(
                $this->figures->firstExposureCapDelicate, 'first_time', 'The first time on delicate tissue: let it be known.',
            )
            : new Cap(
                $this->figures->firstExposureCap, 'first_time',
                'The first time on this muscle: hold, breathe, let it be known.',
            );
    }

    private function safety(ProposedWork $work): ?Cap
    {
        $limit = $this->gate->pressureCap($work);

        return $limit === null ? null : new Cap((float) $limit->value, 'safety', $limit->because());
    }

    private function lastAnswer(MuscleAt $at): ?Cap
    {
        $decision = $this->response->of($at);
        $worked = $this->workedBefore($at);
        $last = $worked[count($worked) - 1] ?? null;
        if ($decision === null || $last === null) {
            return null;
        }
        $reason = match ($decision->decision) {
            Decision::Regress => $decision->because,
            Decision::Hold => "Last time {$last[0]->maxPressure}; ".lcfirst($decision->because),
            default => "Last time {$last[0]->maxPressure}; a step further at most.",
        };

        return new Cap(max(1, $last[0]->maxPressure + $decision->pressureStep), 'last_response', $reason);
    }

    /** The strongest borne at recent visits without guarding or soreness over a day, and one more; no cap without a record. */
    private function tolerance(MuscleAt $at): ?Cap
    {
        $recent = array_slice($this->workedBefore($at), -$this->figures->toleranceVisits);
        $borne = [];
        foreach ($recent as [$done, $sorenessHours]) {
            $hurt = array_intersect($done->signs, $this->figures->hurtSigns) !== [];
            if (! $hurt && ($sorenessHours ?? 0) <= $this->figures->toleranceSorenessHours) {
                $borne[] = $done->maxPressure;
            }
        }

        return $borne === [] ? null : new Cap(
            max($borne) + $this->figures->toleranceStep, 'tolerance', 'Borne well before: '.max($borne).'; one more at most.',
        );
    }

    /** @return list<array{Done, ?float}> each work on it with the longest soreness reported after that visit, oldest first */
    private function workedBefore(MuscleAt $at): array
    {
        $this->worked ??= $this->worked();

        return $this->worked[$at->key()] ?? [];
    }

    /** @return array<string, list<array{Done, ?float}>> */
    private function worked(): array
    {
        $worked = [];
        foreach ($this->case->history as $visit) {
            $hours = array_filter(
                array_map(static fn ($after): ?float => $after->sorenessHours, $visit->aftermath),
                static fn (?float $value): bool => $value !== null,
            );
            foreach ($visit->done as $done) {
                $worked[$done->at()->key()][] = [$done, $hours === [] ? null : max($hours)];
            }
        }

        return $worked;
    }
}
