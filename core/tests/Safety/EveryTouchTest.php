<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Safety;

use PHPUnit\Framework\TestCase;
use Somatrace\Core\Anatomy\Muscle;
use Somatrace\Core\Anatomy\MuscleAt;
use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Anatomy\Tissue;
use Somatrace\Core\Safety\ProposedWork;
use Somatrace\Core\Safety\TouchGate;
use Somatrace\Core\Tests\Support\CaseBuilder;
use Somatrace\Core\Tests\Support\Core;

/**
 * Walks muscle × site × technique × tool × position against every place never to be pressed: what is allowed never contradicts what the
 * same step warns of.
 */
final class EveryTouchTest extends TestCase
{
    /** Words of a warning that forbid a tool, and the tools they forbid: read apart from the figures that the gate reads. */
    private const FORBIDS = [
        '/no (sustained )?elbow/' => ['elbow'],
        '/pads only/' => ['elbow', 'fist', 'knuckle', 'hand_tool', 'forearm'],
        '/no (sustained )?(deep )?pressure/' => ['elbow', 'hand_tool'],
        '/never against/' => ['elbow', 'hand_tool', 'knuckle'],
        '/feather-light/' => ['elbow', 'hand_tool', 'knuckle', 'fist', 'forearm', 'thumb_reinforced'],
        '/flat hands/' => ['hand_tool'],
        '/never (hold inward|above the voice box)/' => ['elbow', 'hand_tool', 'knuckle', 'fist', 'palm', 'thumb', 'thumb_reinforced'],
    ];

    public function test_no_allowed_combination_contradicts_its_own_warnings(): void
    {
        [$case, $atlas] = [
            CaseBuilder::aCase()->agreed(...array_keys(Core::clinic()->atlas()->consentAreas))->make(), Core::clinic()->atlas(),
        ];
        $gate = TouchGate::of($atlas, Core::clinic()->screen($case), $case);
        [$tried, $allowed, $contradictions] = [0, 0, []];
        foreach ($atlas->muscles as $muscle) {
            foreach (Side::pair() as $side) {
                foreach ($this->ways($muscle, $side) as [$site, $technique, $tool, $position, $places]) {
                    $work = new ProposedWork($places, $technique, $tool, $position, null, new MuscleAt($muscle->id, $side), $site);
                    $tried++;
                    if ($gate->forbidding($work) === null) {
                        $allowed++;
                        array_push($contradictions, ...$this->contradictions($gate, $muscle, $work));
                    }
                }
            }
        }
        fwrite(STDERR, "\nwalked: $tried combinations, $allowed allowed, ".count($contradictions)." contradictions\n");

        self::assertGreaterThan(10_000, $tried);
        self::assertGreaterThan(2_000, $allowed);
        self::assertSame([], array_slice(array_unique($contradictions), 0, 40));
    }

    public function test_what_a_muscle_is_worked_with_is_left_to_it(): void
    {
        $atlas = Core::clinic()->atlas();
        $checked = CaseBuilder::aCase()->agreed(...array_keys($atlas->consentAreas))
            ->add('findings', 'tests', ['test' => 'cervical_compression', 'side' => 'midline', 'result' => 'negative'])
            ->add('findings', 'tests', ['test' => 'positional_artery', 'side' => 'left', 'result' => 'negative', 'seconds' => 30])
            ->add('findings', 'tests', ['test' => 'positional_artery', 'side' => 'right', 'result' => 'negative', 'seconds' => 30])->make();
        $gate = TouchGate::of($atlas, Core::clinic()->screen($checked), $checked);
        foreach ($atlas->muscles as $muscle) {
            foreach (Side::pair() as $side) {
                $allowed = static fn (array $way): bool => $gate->forbidding(
                    new ProposedWork($way[4], $way[1], $way[2], $way[3], null, new MuscleAt($muscle->id, $side), $way[0]),
                ) === null;
                $ways = array_filter(iterator_to_array($this->ways($muscle, $side), false), $allowed);
                self::assertNotSame([], $ways, "nobody could ever work {$muscle->id}, {$side->value}");
            }
        }
    }

    /** @return iterable<array{string, string, string, string, list<Place>}> site, technique, tool, position, places */
    private function ways(Muscle $muscle, Side $side): iterable
    {
        $atlas = Core::clinic()->atlas();
        $sites = array_unique([$muscle->workSite, ...array_keys($muscle->sites), ...($muscle->isStructure ? [] : ['belly'])]);
        foreach ($sites as $site) {
            $places = array_map(static fn (string $zone): Place => $atlas->placeOn($zone, $side), $muscle->zonesOf($site));
            foreach (array_unique([...$muscle->techniquesAt($site), 'trigger_point_hold']) as $id) {
                $technique = $atlas->technique($id);
                $own = $technique->tools === [] ? $muscle->toolsAt($site) : array_intersect($muscle->toolsAt($site), $technique->tools);
                foreach ($own === [] ? $technique->tools : $own as $tool) {
                    foreach ($muscle->positionsFor($side) as $position) {
                        yield [$site, $id, $tool, $position, $places];
                    }
                }
            }
        }
    }

    /** @return list<string> */
    private function contradictions(TouchGate $gate, Muscle $muscle, ProposedWork $work): array
    {
        $atlas = Core::clinic()->atlas();
        $found = [];
        $what = "{$muscle->id} {$work->site}: {$work->technique} with {$work->tool}, {$work->position}";
        $hazards = $gate->hazardsUnder($work);
        foreach ([...$muscle->beware, ...array_map(static fn ($hazard): string => $hazard->safeLine, $hazards)] as $words) {
            foreach (self::FORBIDS as $pattern => $tools) {
                if (preg_match($pattern, strtolower($words)) === 1 && in_array($work->tool, $tools, true)) {
                    $found[] = "$what beside \"$words\"";
                }
            }
            $most = preg_match('/at most (\d)/', $words, $figures) === 1 ? (float) $figures[1] : INF;
            if ((float) ($gate->pressureCap($work)->value ?? 10) > $most) {
                $found[] = "$what stronger than \"$words\"";
            }
            if (
                str_contains($words, 'never rubbed')
                    && $work->technique === 'cross_fibre'
                    && $atlas->technique('cross_fibre')->notWith === []
            ) {
                $found[] = "$what on a tendon that may be inflamed";
            }
        }
        if ($muscle->tissue === Tissue::Delicate && in_array($work->tool, ['elbow', 'hand_tool', 'percussion_tool'], true)) {
            $found[] = "$what on delicate tissue";
        }
        $technique = $atlas->technique((string) $work->technique);
        if ($technique->tools !== [] && ! in_array($work->tool, $technique->tools, true)) {
            $found[] = "$what, which that technique has no use for";
        }

        return $found;
    }
}
