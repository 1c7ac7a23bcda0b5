<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Simulation;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\Safety\Verdict;
use Somatrace\Core\Simulation\Intakes;
use Somatrace\Core\Simulation\SafetyTrial;
use Somatrace\Core\Tests\Support\Core;

/** What must hold of every intake, on some hundred of them; ten thousand by `php artisan somatrace:safety trial`. */
#[Group('slow')]
final class SafetyTrialTest extends TestCase
{
    private const MANY = 400;

    public function test_order_mirror_monotone_and_overrides_hold_on_generated_intakes(): void
    {
        $clinic = Core::clinic();
        $trial = new SafetyTrial($clinic, each: false);
        [$broken, $verdicts] = [[], []];
        foreach ((new Intakes($clinic->atlas(), $clinic->rules()))->many(self::MANY, 20261125) as $number => $case) {
            $one = $trial->of($case);
            $verdicts[$one['verdict']] = ($verdicts[$one['verdict']] ?? 0) + 1;
            foreach ($one['broken'] as $what) {
                $broken[] = "intake $number: $what";
            }
        }

        self::assertSame([], array_slice($broken, 0, 12), count($broken).' broken');
        // the made-up clients are of every kind, or the trial would prove little
        foreach (Verdict::cases() as $verdict) {
            if ($verdict !== Verdict::Proceed) {
                self::assertGreaterThan(self::MANY / 50, $verdicts[$verdict->value] ?? 0, $verdict->value);
            }
        }
    }

    public function test_generated_intakes_are_valid_cases_and_the_same_for_the_same_seed(): void
    {
        $clinic = Core::clinic();
        $intakes = new Intakes($clinic->atlas(), $clinic->rules());
        $made = iterator_to_array($intakes->many(40, 7));

        self::assertSame($made, iterator_to_array($intakes->many(40, 7)));
        self::assertNotSame($made, iterator_to_array($intakes->many(40, 8)));
        foreach ($made as $case) {
            $case['findings'] = (object) $case['findings'];
            foreach (['red_flags', 'calf_clot_items', 'answered_on'] as $map) {
                if (isset($case['health'][$map])) {
                    $case['health'][$map] = (object) $case['health'][$map];
                }
            }
            $clinic->reader()->read(json_encode($case, JSON_THROW_ON_ERROR));
        }
    }
}
