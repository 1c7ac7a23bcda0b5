<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Somatrace\Core\Anatomy\Atlas;
use Somatrace\Core\Clinic;
use Somatrace\Core\Simulation\Underway;

/** Times the core on a full case; a person reads the figures, no test asserts them. */
final class BenchmarkCommand extends Command
{
    private const VISITS = 20;

    private const REMEMBERED = 4;

    protected $signature = 'somatrace:benchmark {--rounds=25 : how often each is timed; the median is shown}';

    protected $description = 'Time loading the atlas, and screen, rank, plan and respond on a full case';

    public function handle(): int
    {
        $rounds = max(3, (int) $this->option('rounds'));
        $compiled = storage_path('framework/cache/somatrace.atlas');
        $folder = base_path('core/data');
        Atlas::load($folder, $compiled);
        $text = json_encode($this->fullCase(Clinic::open(compiled: $compiled)->atlas()), JSON_THROW_ON_ERROR);
        $rows = [
            ['load the atlas, compiled', '8', $this->median($rounds, static fn (): Atlas => Atlas::load($folder, $compiled))],
            ['build the atlas from its files', '', $this->median(3, static fn (): Atlas => Atlas::build($folder))],
        ];
        // warm: one clinic, and the case read anew each round, since what was said of a case is remembered
        $clinic = Clinic::open(compiled: $compiled);
        $clinic->plan($clinic->reader()->read($text));
        $parts = ['screen' => '2', 'rank' => '10', 'plan' => '15', 'plan from half way' => '10', 'respond' => '4'];
        foreach ($parts as $part => $budget) {
            $times = [];
            for ($round = 0; $round < $rounds; $round++) {
                $this->letGo($clinic);
                $case = $clinic->reader()->read($text);
                if ($part === 'plan from half way') {
                    $steps = $clinic->plan($case)->steps;
                    $case = Underway::of($case, array_slice($steps, 0, intdiv(count($steps), 2)), $case->session->minutes / 2);
                }
                // each has a budget of its own: what ranking and planning rest on is counted where it belongs
                $before = match ($part) {
                    'rank' => [$clinic->screen($case)],
                    'plan', 'plan from half way' => [$clinic->screen($case), $clinic->rank($case), $clinic->respond($case)],
                    default => [],
                };
                $from = hrtime(true);
                match ($part) {
                    'screen' => $clinic->screen($case), 'rank' => $clinic->rank($case),
                    'plan', 'plan from half way' => $clinic->plan($case),
                    default => $clinic->respond($case)
                };
                $times[] = (hrtime(true) - $from) / 1e6;
                unset($before);
            }
            sort($times);
            $rows[] = [$part.', full case', $budget, $times[intdiv(count($times), 2)]];
        }
        $this->table(
            ['what', 'budget ms', 'median ms'],
            array_map(static fn (array $row): array => [$row[0], $row[1], number_format($row[2], 2)], $rows),
        );
        $this->line(sprintf('full case: %d kB, peak memory %d MiB', intdiv(strlen($text), 1024), intdiv(memory_get_peak_usage(), 1 << 20)));

        return self::SUCCESS;
    }

    /** What is remembered of the last cases is let go of before the clock starts: in a request there is none. */
    private function letGo(Clinic $clinic): void
    {
        for ($case = 0; $case < self::REMEMBERED; $case++) {
            $nobody = $clinic->reader()->read('{"format": "somatrace.case", "version": 1, "as_of": "2026-03-02", "client": {"age": 40}, "findings": {}}');
            $clinic->rank($nobody);
            $clinic->respond($nobody);
        }
    }

    private function median(int $rounds, callable $work): float
    {
        $times = [];
        for ($round = 0; $round < $rounds; $round++) {
            $from = hrtime(true);
            $work();
            $times[] = (hrtime(true) - $from) / 1e6;
        }
        sort($times);

        return $times[intdiv(count($times), 2)];
    }

    /** @return array<string, mixed> 200 findings and 20 past visits, the same at every run */
    private function fullCase(Atlas $atlas): array
    {
        $asOf = new \DateTimeImmutable('2026-03-02');
        $palpation = [];
        foreach (array_slice(array_keys($atlas->muscles), 0, 65) as $index => $muscle) {
            foreach (['left', 'right'] as $side) {
                $palpation[] = [
                    'muscle' => $muscle, 'side' => $side, 'tenderness' => ($index * 7 + ($side === 'left' ? 0 : 3)) % 5,
                    'tone' => $index % 3 === 0 ? 'high' : 'usual', 'familiar' => $index % 11 === 0 ? 'yes' : 'no',
                ];
            }
        }
        $ranges = [];
        foreach ($atlas->movements as $movement) {
            foreach ($movement->paired ? ['left', 'right'] : ['midline'] as $offset => $side) {
                $ranges[] = [
                    'movement' => $movement->id, 'side' => $side,
                    'active' => max($movement->min, min($movement->max, $movement->norm - $offset * 2 * $movement->measurementError)),
                    'pain' => $offset * 3,
                ];
            }
        }
        $visits = [];
        foreach (range(self::VISITS, 1) as $back) {
            $visits[] = [
                'date' => $asOf->modify('-'.(7 * $back).' days')->format('Y-m-d'),
                'done' => array_map(
                    static fn (string $muscle): array => [
                        'muscle' => $muscle, 'side' => 'left', 'technique' => 'compressive_hold', 'tool' => 'fingers_reinforced',
                        'minutes' => 5, 'max_pressure' => 5, 'seconds_at_pressure' => 90,
                    ],
                    ['levator_scapulae', 'rhomboids', 'infraspinatus'],
                ),
                'findings' => [
                    'complaints' => [['zone' => 'neck_side', 'side' => 'left', 'now' => max(2, 8 - intdiv(self::VISITS - $back, 4))]],
                    'palpation' => array_slice($palpation, 0, 20), 'range' => array_slice($ranges, 3, 6),
                ],
            ];
        }

        return [
            'format' => 'somatrace.case', 'version' => 1, 'as_of' => $asOf->format('Y-m-d'),
            'client' => ['age' => 41, 'hand' => 'right'],
            'findings' => [
                'complaints' => [
                    ['zone' => 'neck_side', 'side' => 'left', 'now' => 6], ['zone' => 'interscapular', 'side' => 'left', 'now' => 5],
                ],
                'range' => array_slice($ranges, 0, 68), 'palpation' => $palpation,
            ],
            'health' => ['others_denied' => true], 'history' => $visits, 'session' => ['minutes' => 60], 'therapist' => ['mass_kg' => 70],
        ];
    }
}
