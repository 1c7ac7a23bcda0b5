<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\JointAt;
use Somatrace\Core\Anatomy\Place;

/** What is true of one joint of a simulated client, and hidden from whoever assesses. */
final readonly class HiddenJoint
{
    /**
     * @param  float  $strength  share in the complaint, 0 for one that is stiff and does not hurt, to 1
     * @param  float  $stiffness  0–1
     * @param  float  $irritability  how easily it hurts, 0–1
     * @param  list<Place>  $felt
     */
    public function __construct(
        public JointAt $at, public float $strength, public float $stiffness, public float $irritability, public array $felt,
    ) {
    }
}
