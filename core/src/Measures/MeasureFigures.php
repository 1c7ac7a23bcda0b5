<?php

declare(strict_types=1);

namespace Somatrace\Core\Measures;

use Somatrace\Core\Data\Fields;

/** What change of a measure is real and what matters, from data. */
final readonly class MeasureFigures
{
    private function __construct(
        public float $painReal,
        public float $painMattersPoints,
        public float $painMattersShare,
        public float $painLargeShare,
        public float $functionReal,
        public float $functionMeanReal,
        public float $pptNeckKpa,
        public float $pptShinKpa,
        public float $pptShare,
        public float $pptSideKpa,
        public float $tendernessReal,
    ) {
    }

    public static function from(Fields $measures): self
    {
        $pain = $measures->fields('pain');
        $function = $measures->fields('function');
        $ppt = $measures->fields('ppt');

        return new self(
            $pain->float('real'), $pain->float('matters_points'), $pain->float('matters_share'), $pain->float('large_share'),
            $function->float('real_one'), $function->float('real_mean'),
            $ppt->float('neck_kpa'), $ppt->float('shin_kpa'), $ppt->float('share'), $ppt->float('side_kpa'),
            $measures->fields('tenderness')->float('real'),
        );
    }
}
