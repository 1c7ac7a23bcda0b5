<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Response\CourseDecision;
use Somatrace\Core\Response\Decision;

/** How courses went, and how often what was decided is what is hidden. */
final class CourseScore
{
    /** Pain at most so much, on two visits running, is settled. */
    private const SETTLED = 2.0;

    private int $clients = 0;

    private int $muscular = 0;

    private int $below = 0;

    /** @var list<int> visits of those that settled */
    private array $visits = [];

    /** @var list<int> flares of each client */
    private array $flares = [];

    /** @var array{muscular: list<int>, elsewhere: list<int>} at which visit somebody was sent on */
    private array $sent = ['muscular' => [], 'elsewhere' => []];

    private int $unsettled = 0;

    /** @var array<string, array<string, int>> decided, and whether it was right */
    private array $targets = [];

    /** @var array<string, array<string, int>> */
    private array $courses = [];

    public function begin(SimulatedCourse $course): void
    {
        $this->clients++;
        $this->muscular += (int) $course->isMuscular;
        $this->below = 0;
        $this->flares[] = 0;
    }

    /** @param  list<Decision>  $right  @param  bool  $answered  whether anybody told how it was */
    public function target(Decision $decided, array $right, bool $answered): void
    {
        if (! $answered) {
            return; // who is not told cannot know
        }
        $this->targets[$decided->value]['all'] = ($this->targets[$decided->value]['all'] ?? 0) + 1;
        $this->targets[$decided->value]['right'] = ($this->targets[$decided->value]['right'] ?? 0) + (int) in_array($decided, $right, true);
    }

    /** @param  list<CourseDecision>  $right */
    public function course(CourseDecision $decided, array $right): void
    {
        $this->courses[$decided->value]['all'] = ($this->courses[$decided->value]['all'] ?? 0) + 1;
        $this->courses[$decided->value]['right'] = ($this->courses[$decided->value]['right'] ?? 0) + (int) in_array($decided, $right, true);
    }

    public function worked(SimulatedCourse $course): void
    {
        $flares = array_pop($this->flares) ?? 0;
        $this->flares[] = $flares + (int) ($course->isWorse() || $course->soreHours() > 48);
    }

    /** Whether it is settled: then it is over. */
    public function settles(SimulatedCourse $course, int $visit): bool
    {
        $this->below = $course->pain() <= self::SETTLED ? $this->below + 1 : 0;
        if ($this->below < 2) {
            return false;
        }
        $this->visits[] = $visit;

        return true;
    }

    public function sentOn(SimulatedCourse $course, int $visit): void
    {
        $this->sent[$course->isMuscular ? 'muscular' : 'elsewhere'][] = $visit;
    }

    public function unsettled(SimulatedCourse $course): void
    {
        $this->unsettled += (int) $course->isMuscular;
    }

    /** @return array{right: float, of: int, by: array<string, array{float, int}>} percent */
    public function agreement(string $what): array
    {
        $rows = $what === 'targets' ? $this->targets : $this->courses;
        ksort($rows);
        [$right, $all] = [array_sum(array_column($rows, 'right')), array_sum(array_column($rows, 'all'))];

        return [
            'right' => $all > 0 ? 100 * $right / $all : 0.0, 'of' => $all,
            'by' => array_map(static fn (array $row): array => [100 * $row['right'] / $row['all'], $row['all']], $rows),
        ];
    }

    /** @return array<string, float|int> of clients whose pain comes from muscles: share settled and visits; and flares of all */
    public function outcome(): array
    {
        [$mean, $spread] = self::spread($this->visits);
        [$flares, $flareSpread] = self::spread($this->flares);
        $elsewhere = $this->clients - $this->muscular;

        return [
            'clients' => $this->clients, 'settled' => $this->muscular > 0 ? 100 * count($this->visits) / $this->muscular : 0.0,
            'visits' => $mean, 'visits_sd' => $spread, 'flares' => $flares, 'flares_sd' => $flareSpread,
            'flared' => $this->clients > 0 ? 100 * count(array_filter($this->flares)) / $this->clients : 0.0,
            'unsettled' => $this->unsettled,
            'sent_wrongly' => $this->muscular > 0 ? 100 * count($this->sent['muscular']) / $this->muscular : 0.0,
            'sent_rightly' => $elsewhere > 0 ? 100 * count($this->sent['elsewhere']) / $elsewhere : 0.0,
            'sent_at' => self::spread($this->sent['elsewhere'])[0],
        ];
    }

    /**
     * @param  list<int>  $values
     * @return array{float, float} mean and standard deviation
     */
    private static function spread(array $values): array
    {
        if ($values === []) {
            return [0.0, 0.0];
        }
        $mean = array_sum($values) / count($values);

        return [$mean, sqrt(array_sum(array_map(static fn (int $one): float => ($one - $mean) ** 2, $values)) / count($values))];
    }
}
