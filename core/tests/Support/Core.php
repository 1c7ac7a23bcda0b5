<?php

declare(strict_types=1);

namespace Somatrace\Core\Tests\Support;

use Somatrace\Core\CaseFile\CaseFile;
use Somatrace\Core\Clinic;

/** One loaded core for the whole suite; it is pure, so sharing it is safe. */
final class Core
{
    private static ?Clinic $clinic = null;

    public static function clinic(): Clinic
    {
        return self::$clinic ??= Clinic::open(compiled: sys_get_temp_dir().'/somatrace-core-tests.atlas');
    }

    /** @return array<string, mixed> the schema of the case file */
    public static function schema(): array
    {
        return (array) json_decode(
            (string) file_get_contents(self::clinic()->schemas().'/case.schema.json'), true, flags: JSON_THROW_ON_ERROR,
        );
    }

    public static function example(string $name): CaseFile
    {
        return self::clinic()->reader()->read((string) file_get_contents(dirname(__DIR__)."/fixtures/cases/$name.json"));
    }

    /** @param  array<string, mixed>  $case */
    public static function case(array $case): CaseFile
    {
        return self::clinic()->reader()->read(json_encode($case, JSON_THROW_ON_ERROR));
    }
}
