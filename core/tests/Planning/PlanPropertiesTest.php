<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Planning;

use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Tests\Support\Core;
use Somatrace\Core\Tests\Support\MadeUpCourses;
use Somatrace\Core\Tests\Support\PlanRules;

/**
 * No plan breaks a dose, a ceiling of minutes, a region's total, the hands' budgets, the order of skin; nothing found is lost. Of some
 * clients here; CLIENTS=2000 vendor/bin/phpunit core/tests/Planning/PlanPropertiesTest.php tries so many (docs/plan-trial.md).
 */
#[Group('properties'), Group('slow')]
final class PlanPropertiesTest extends TestCase
{
    private const SAMPLE = 100;

    public function test_no_plan_breaks_what_no_plan_may_break(): void
    {
        $rules = new PlanRules;
        $broken = [];
        foreach ($this->clients() as $name => $case) {
            foreach ($rules->broken($case, Core::clinic()->plan($case)) as $one) {
                $broken[] = "$name: $one";
            }
        }

        self::assertSame([], array_slice($broken, 0, 40), count($broken).' broken');
    }

    /**
     * @return iterable<string, CaseFile> of every region, with findings, visits behind them, injuries and stiff joints; those who are
     * treated
     */
    public static function clients(): iterable
    {
        $many = (int) (getenv('CLIENTS') ?: self::SAMPLE);

        return MadeUpCourses::treated((int) ceil($many / count(Core::clinic()->atlas()->regions)));
    }
}
