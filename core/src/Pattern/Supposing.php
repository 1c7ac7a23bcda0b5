<?php

declare(strict_types=1);

namespace Somatrace\Core\Pattern;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\UnknownId;
use Somatrace\Core\CaseFile\Answer;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\Complaint;
use Somatrace\Core\CaseFile\PalpationFinding;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\ResistedFinding;
use Somatrace\Core\CaseFile\TestFinding;

/**
 * A case with one check supposed to be done: how it would read if the check answered clearly, or were clean. Nothing of it is recorded.
 * "Clearly" is what a muscle at fault usually gives (practice default).
 */
final readonly class Supposing
{
    private const ERRORS_SHORT = 3;

    public function __construct(private Atlas $atlas)
    {
    }

    /**
     * @param  string  $kind  palpate, range, resisted or test
     * @param  string|null  $level  of a test that names levels: the one that would answer
     *
     * @throws UnknownId when there is no such check
     */
    public function with(CaseFile $case, string $kind, string $id, Side $side, bool $answers, ?string $level = null): CaseFile
    {
        $findings = $case->findings;

        return $case->withFindings(match ($kind) {
            'palpate' => $findings->and(palpation: $this->felt($case, $id, $side, $answers)),
            'range' => $findings->and(range: $this->moved($id, $side, $answers)),
            'resisted' => $findings->and(resisted: $this->resisted($id, $side, $answers)),
            'test' => $findings->and(tests: $this->tested($id, $side, $answers, $level)),
            default => throw UnknownId::in('check', $kind),
        });
    }

    private function felt(CaseFile $case, string $id, Side $side, bool $answers): PalpationFinding
    {
        $muscle = $this->atlas->muscle($id);
        if (! $answers) {
            return new PalpationFinding($id, $side, null, 0, 'usual', familiar: Answer::No);
        }
        $known = [...$muscle->zones, ...$muscle->coreReferral, ...$muscle->spillOver];
        $hurts = array_values(array_filter(
            array_map(static fn (Complaint $complaint) => $complaint->place(), $case->findings->complaints),
            static fn ($place): bool => in_array($place->zone, $known, true) && in_array($place->side, [$side, Side::Midline], true),
        ));

        return new PalpationFinding($id, $side, null, 3, 'high', ['taut_band'], $hurts, Answer::Yes);
    }

    private function moved(string $id, Side $side, bool $answers): RangeFinding
    {
        $movement = $this->atlas->movement($id);
        $short = ($movement->largerIsBetter ? -1 : 1) * (self::ERRORS_SHORT + 1) * $movement->measurementError;
        $value = $movement->norm + ($answers ? $short : 0);

        return new RangeFinding($id, $side, max($movement->min, min($movement->max, $value)), pain: $answers ? 4.0 : 0.0);
    }

    private function resisted(string $id, Side $side, bool $answers): ResistedFinding
    {
        return new ResistedFinding($this->atlas->movement($id)->id, $side, 5, $answers ? 5.0 : 0.0);
    }

    private function tested(string $id, Side $side, bool $answers, ?string $level): TestFinding
    {
        $test = $this->atlas->test($id);
        $told = $test->speaksOf[0] ?? null;
        if ($test->result === 'result') {
            return new TestFinding($id, $side, $level, $answers ? $told->answer ?? 'positive' : 'negative');
        }
        $short = ($test->largerIsBetter ? -1 : 1) * (self::ERRORS_SHORT + 1) * ($test->measurementError ?? 1.0);
        $value = $answers ? $told->atMost ?? ($test->norm ?? 0.0) + $short : $test->norm ?? 0.0;

        return new TestFinding($id, $side, $level, value: max(0.0, min($test->max ?? INF, $value)), pain: $answers ? 4.0 : 0.0);
    }
}
