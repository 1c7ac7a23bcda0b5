<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Architecture;

use PHPat\Selector\Selector;
use PHPat\Test\Attributes\TestRule;
use PHPat\Test\Builder\BuildStep;
use PHPat\Test\PHPat;

/** Checked by PHPStan, not run by PHPUnit. */
final class CoreStandsAloneRule
{
    #[TestRule]
    public function core_knows_neither_framework_nor_application(): BuildStep
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Somatrace\Core'))
            ->shouldNotDependOn()
            ->classes(
                Selector::inNamespace('Illuminate'), Selector::inNamespace('App'), Selector::inNamespace('Inertia'),
                Selector::inNamespace('Carbon'),
            )
            ->because('the rules of the job must run and be tested on their own');
    }
}
