<?php

declare(strict_types=1);

namespace Somatrace\Core\Record;

use Somatrace\Core\Anatomy\Place;
use Somatrace\Core\Anatomy\Side;

/** What was done on one target: a muscle or a joint, or where neither is named what the step was called. */
final readonly class Worked
{
    /**
     * @param  'treat'|'cold'|'soothe'|'warm_up'|'finish'  $kind
     * @param  string  $key  tells it from every other target of the visit
     * @param  string  $name  of a joint as it is spoken of, or of a step; empty where a muscle is named
     * @param  list<string>  $techniques  ids, the longest first
     * @param  list<string>  $tools  ids, the longest first
     * @param  list<string>  $spots  names
     * @param  float  $seconds  with hands on it
     * @param  list<float>  $numbers  what the client said, 0–10
     * @param  list<Place>  $places  under the hands
     * @param  list<string>  $signs  ids, what the tissue or the client answered
     */
    public function __construct(
        public string $kind,
        public string $key,
        public ?string $muscle,
        public Side $side,
        public string $name = '',
        public ?string $position = null,
        public array $techniques = [],
        public array $tools = [],
        public array $spots = [],
        public float $leastPressure = 0.0,
        public float $mostPressure = 0.0,
        public float $seconds = 0.0,
        public array $numbers = [],
        public array $signs = [],
        public bool $isStopped = false,
        public array $places = [],
    ) {
    }
}
