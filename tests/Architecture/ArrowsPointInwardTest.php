<?php

declare(strict_types=1);

namespace Tests\Architecture;

use Illuminate\Support\Facades\DB;
use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\BuildStep;
use PHPat\Test\PHPat;

/** Checked by PHPStan, not run by PHPUnit: resources → app → core, never back; the core's own rule stands with its tests. */
final class ArrowsPointInwardTest
{
    #[TestRule]
    public function controllers_translate_and_do_not_query(): BuildStep
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Http\Controllers'))
            ->shouldNotDependOn()
            ->classes(Selector::classname(DB::class), Selector::inNamespace('Illuminate\Database\Query'))
            ->because('a controller translates in and out; queries belong to actions and page resources');
    }

    #[TestRule]
    public function controllers_use_the_core_only_through_its_door(): BuildStep
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('App\Http\Controllers'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Somatrace\Core\Safety'), Selector::inNamespace('Somatrace\Core\Pattern'),
                Selector::inNamespace('Somatrace\Core\Planning'),
                Selector::inNamespace('Somatrace\Core\Response'), Selector::inNamespace('Somatrace\Core\Measures'),
                Selector::inNamespace('Somatrace\Core\CaseFile'),
            )
            ->because('the façade Clinic and the units are all a controller needs');
    }
}
