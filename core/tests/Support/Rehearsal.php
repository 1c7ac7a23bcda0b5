<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\Findings;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\Record\Agreement;
use Somatrace\Core\Record\Reaction;
use Somatrace\Core\Record\VisitRecord;
use Somatrace\Core\Record\WorkReader;
use Somatrace\Core\Simulation\Chance;
use Somatrace\Core\Treatment\AgreedStep;
use Somatrace\Core\Treatment\Event;
use Somatrace\Core\Treatment\Fold;

/**
 * A whole visit that nobody made: the plan of a case is worked through at a table, now and then with a sign, a number or a step passed
 * over.
 */
final class Rehearsal
{
    private int $number = 0;

    /** @var list<Reaction> */
    private array $reactions = [];

    public function __construct(private readonly Chance $chance)
    {
    }

    public function of(CaseFile $case): VisitRecord
    {
        $document = Core::clinic()->plan($case)->toArray();

        return $this->worked(
            $case, $document['steps'],
            array_column(array_filter($document['left_out'], static fn (array $one): bool => $one['reason'] === 'unfelt'), 'name'),
        );
    }

    /** The same without a planner, which takes its time: what was felt is worked, in whatever way. */
    public function quickly(CaseFile $case): VisitRecord
    {
        $atlas = Core::clinic()->atlas();
        $steps = [];
        foreach ($case->findings->palpation as $index => $one) {
            $muscle = $atlas->muscle($one->muscle);
            $spots = array_slice($atlas->handwork()->spotsOf($one->muscle)->spots, 0, $this->chance->int(0, 6));
            $steps[] = [
                'id' => "s$index", 'kind' => 'treat', 'label' => $atlas->nameOf($one->at()), 'muscle' => $one->muscle,
                'side' => $one->side->value, 'position' => $muscle->positionsFor($one->side)[0], 'minutes' => $this->chance->int(0, 9),
                'manoeuvres' => [[
                    'technique' => $muscle->techniques[0] ?? 'effleurage', 'tool' => $muscle->tools[0] ?? 'palm',
                    'spots' => array_column($spots, 'id'), 'spot_names' => array_column($spots, 'name'),
                    'pressure' => $this->chance->oneIn(5) ? null : $this->chance->int(2, 14) / 2, 'repeats' => $this->chance->int(1, 3),
                    'seconds' => $this->chance->int(0, 90),
                ]],
            ];
        }

        return $this->worked($case, $steps, []);
    }

    /**
     * @param  list<array<string, mixed>>  $steps
     * @param  list<string>  $unfelt
     */
    private function worked(CaseFile $case, array $steps, array $unfelt): VisitRecord
    {
        $this->reactions = [];
        $events = [];
        foreach ($steps as $step) {
            array_push($events, ...$this->step($step));
        }
        $state = Fold::of($steps, $events);
        $agreed = array_map(AgreedStep::from(...), $steps);

        return new VisitRecord(
            $case, $steps === [] ? new Findings : $this->after($case->findings), WorkReader::worked($agreed, $state),
            WorkReader::passedOver($agreed, $state),
            $this->reactions,
            array_map(static fn ($one): Agreement => new Agreement($one->area, $one->given), $case->consent),
            $agreed, $unfelt,
            isStopped: $state->isStopped,
        );
    }

    /**
     * @param  array<string, mixed>  $step
     * @return list<Event>
     */
    private function step(array $step): array
    {
        $event = fn (string $type, array $payload = []): Event => new Event(
            sprintf('E%06d', $this->number), $type, (string) $step['id'], $payload, 'AAAA', ++$this->number,
        );
        $treats = $step['kind'] === 'treat';
        if ($treats && $this->chance->oneIn(9)) {
            return [$event('step_skipped', ['seconds' => 0])];
        }
        $events = [$event('step_started')];
        foreach ($step['manoeuvres'] ?? [] as $part => $one) {
            $events[] = $event('pass_reached', array_filter([
                'manoeuvre' => $part, 'spots' => $one['spots'], 'pressure' => $one['pressure'], 'tool' => $one['tool'],
                'seconds' => $one['seconds'] * $one['repeats'] * max(1, count($one['spots'])),
            ], static fn (mixed $value): bool => $value !== null));
        }
        if ($treats && $this->chance->oneIn(4)) {
            $events[] = $event('number_said', ['number' => $this->chance->int(3, 7)]);
        }
        if ($treats && $this->chance->oneIn(4)) {
            $sign = $this->chance->pick(['softened', 'shifted', 'referral_faded', 'guarding', 'breath_held', 'tingling']);
            $events[] = $event('sign', ['sign' => $sign]);
            $this->reactions[] = new Reaction(
                $sign, '14:05', $step['muscle'], is_string($step['side']) ? Side::from($step['side']) : null,
            );
        }
        $events[] = $event('step_done', ['seconds' => $step['minutes'] * 60]);

        return $events;
    }

    /** What was measured is mostly measured again, and some of it has changed. */
    private function after(Findings $found): Findings
    {
        $again = fn (): bool => ! $this->chance->oneIn(3);

        return new Findings(
            complaints: array_values(array_map(
                fn (Complaint $one): Complaint => new Complaint(
                    $one->zone, $one->side, max(0.0, ($one->now ?? 0) - $this->chance->int(0, 3)),
                ),
                array_filter($found->complaints, static fn (Complaint $one): bool => $one->now !== null),
            )),
            range: array_values(array_map(
                fn (RangeFinding $one): RangeFinding => new RangeFinding(
                    $one->movement, $one->side, min(
                        ($one->active ?? 0) + $this->chance->int(0, 6), max(
                            $one->active ?? 0, Core::clinic()->atlas()->movement($one->movement)->norm,
                        ),
                    ),
                ),
                array_filter($found->range, static fn (RangeFinding $one): bool => $one->active !== null && $again()),
            )),
            palpation: array_values(array_map(
                fn (PalpationFinding $one): PalpationFinding => new PalpationFinding(
                    $one->muscle, $one->side, $one->site, max(0, ($one->tenderness ?? 0) - $this->chance->int(0, 2)),
                ),
                array_filter($found->palpation, static fn (PalpationFinding $one): bool => $one->tenderness !== null && $again()),
            )),
        );
    }
}
