<?php

declare(strict_types=1);

namespace Somatrace\Core\Planning;

use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\CaseFile\RangeFinding;
use Somatrace\Core\CaseFile\TestFinding;

/** What is measured again after a target: movements that were measured before and what found it stiff, else the same spot once more. */
final readonly class Checks
{
    private const SITTING_OR_STANDING = ['seated', 'standing'];

    /** @var array<string, list<RangeFinding>> by movement and side */
    private array $ranges;

    public function __construct(private Atlas $atlas, private CaseFile $case)
    {
        $ranges = [];
        foreach ($case->findings->range as $finding) {
            $ranges[$finding->key()][] = $finding;
        }
        $this->ranges = $ranges;
    }

    /**
     * What tells most of the work just done without getting up; pressing once more where nothing does.
     *
     * @param  non-empty-list<Target>  $targets  the weightiest first
     * @param  string  $family  in which the client lies
     */
    public function lying(array $targets, string $family): Check
    {
        return $this->first($targets, fn (Check $check): bool => $this->familyOf($check) === $family) ?? $this->pressed($targets[0]);
    }

    /**
     * What tells most of it sitting or standing: it is measured when the client is up.
     *
     * @param  non-empty-list<Target>  $targets
     */
    public function upright(array $targets): ?Check
    {
        return $this->first($targets, static fn (Check $check): bool => in_array($check->position, self::SITTING_OR_STANDING, true));
    }

    /**
     * What tells most of it lying otherwise: it is measured at the end, as they turn on their way up.
     *
     * @param  non-empty-list<Target>  $targets
     */
    public function lyingOtherwise(array $targets): ?Check
    {
        return $this->first($targets, fn (Check $check): bool => $this->familyOf($check) !== null);
    }

    /**
     * @param  list<Target>  $targets
     * @param  \Closure(Check): bool  $fits
     */
    private function first(array $targets, \Closure $fits): ?Check
    {
        foreach ($targets as $target) {
            foreach ($this->of($target) as $check) {
                if ($fits($check)) {
                    return $check;
                }
            }
        }

        return null;
    }

    /**
     * What was worked before a plan was made anew.
     *
     * @param  non-empty-list<string>  $keys  as targets are called, the last first
     */
    public function after(array $keys, string $family): Check
    {
        $first = null;
        foreach ($keys as $key) {
            $checks = $this->named($key);
            foreach ($checks as $check) {
                if ($this->familyOf($check) === $family) {
                    return $check;
                }
            }
            $first ??= $checks[count($checks) - 1];
        }

        return $first;
    }

    /** @return string|null none where it is pressed once more, or measured standing */
    private function familyOf(Check $check): ?string
    {
        return in_array($check->position, [null, 'standing'], true) ? null : $this->atlas->position($check->position)->family;
    }

    /** @return list<Check> */
    private function of(Target $target): array
    {
        return match (true) {
            $target->joint !== null => $this->ofJoint($target->joint),
            $target->work !== null => $this->ofMuscle($target->work->at),
            default => [],
        };
    }

    /** @return non-empty-list<Check> */
    private function named(string $key): array
    {
        $parts = explode(':', $key);
        if ($parts[0] !== 'joint') {
            $at = new MuscleAt($parts[0], Side::from($parts[1]));

            return [...$this->ofMuscle($at), $this->pressedAt($at)];
        }
        $at = new JointAt($this->atlas->handwork()->joint($parts[1]), $parts[2] === '' ? null : $parts[2], Side::from($parts[3]));

        return [...$this->ofJoint($at), $this->moved($at)];
    }

    private function pressed(Target $target): Check
    {
        return match (true) {
            $target->work !== null => $this->pressedAt($target->work->at),
            $target->joint !== null => $this->moved($target->joint),
            default => throw new \LogicException('a target that is neither muscle nor joint'),
        };
    }

    private function pressedAt(MuscleAt $at): Check
    {
        $name = $at->side->on(lcfirst($this->atlas->muscle($at->muscle)->name));

        return new Check(Check::PRESSED, $at->muscle, $at->side, "press $name again", null);
    }

    /** Moved once more where it lies. */
    private function moved(JointAt $at): Check
    {
        foreach ($this->ofJoint($at) as $check) {
            if ($check->kind === 'test') {
                return new Check($check->kind, $check->id, $check->side, $check->text, null);
            }
        }

        return new Check('test', $at->joint->again[0]['id'] ?? '', $at->side, 'move '.lcfirst($at->name()).' again', null);
    }

    /** @return list<Check> movements measured before that lengthen it */
    private function ofMuscle(MuscleAt $at): array
    {
        $checks = [];
        foreach ($this->atlas->muscle($at->muscle)->lengthenedBy as $use) {
            foreach ($this->ranges[$use->keyFor($at->side)] ?? [] as $finding) {
                $checks[] = $this->range($finding);
            }
        }

        return $checks;
    }

    /** @return list<Check> */
    private function ofJoint(JointAt $at): array
    {
        $checks = [];
        $found = $this->testsThatFound($at);
        foreach ($at->joint->again as $again) {
            foreach ($again['kind'] === 'movement' ? $this->case->findings->range : [] as $finding) {
                if ($finding->movement === $again['id'] && in_array($finding->side, [$at->side, Side::Midline], true)) {
                    $checks[] = $this->range($finding);
                }
            }
            if ($again['kind'] === 'test' && ($found === [] || in_array($again['id'], $found, true))) {
                $test = $this->atlas->test($again['id']);
                $checks[] = new Check('test', $test->id, $at->side, lcfirst($test->name).', '.lcfirst($at->name()), $test->position);
            }
        }

        return $checks;
    }

    /** @return list<string> tests that were done there today */
    private function testsThatFound(JointAt $at): array
    {
        $tests = array_column(array_filter($at->joint->again, static fn (array $one): bool => $one['kind'] === 'test'), 'id');
        $done = array_filter(
            $this->case->findings->tests,
            static fn (TestFinding $one): bool => in_array($one->test, $tests, true)
                && in_array($one->side, [$at->side, Side::Midline], true) && in_array($one->segment, [null, $at->level], true),
        );

        return array_values(array_unique(array_map(static fn (TestFinding $one): string => $one->test, $done)));
    }

    private function range(RangeFinding $finding): Check
    {
        $movement = $this->atlas->movement($finding->movement);

        return new Check('range', $movement->id, $finding->side, $finding->side->named(lcfirst($movement->name)), $movement->position);
    }
}
