<?php

declare(strict_types=1);

namespace Somatrace\Core\CaseFile;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;
use Somatrace\Core\Data\Fields;

final readonly class TestFinding
{
    /**
     * @param  list<Place>  $refersTo
     * @param  list<float>  $repeats
     * @param  list<string>  $symptoms
     */
    public function __construct(
        public string $test,
        public Side $side,
        public ?string $segment = null,
        public ?string $result = null,
        public ?float $value = null,
        public ?float $seconds = null,
        public array $refersTo = [],
        public array $repeats = [],
        public array $symptoms = [],
        public ?string $endFeel = null,
        public ?float $pain = null,
        public bool $simulated = false,
    ) {
    }

    public static function from(Fields $f): self
    {
        return new self(
            $f->string('test'), Side::from($f->string('side')), $f->stringOrNull('segment'), $f->stringOrNull('result'),
            $f->floatOrNull('value'),
            $f->floatOrNull('seconds'), $f->map('refers_to', Place::from(...)), $f->floats('repeats'), $f->strings('symptoms'),
            $f->stringOrNull('end_feel'), $f->floatOrNull('pain'), $f->bool('simulated'),
        );
    }
}
