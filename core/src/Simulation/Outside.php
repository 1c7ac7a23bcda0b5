<?php

declare(strict_types=1);

namespace Somatrace\Core\Simulation;

use Somatrace\Core\Anatomy\Side;

/** Why a simulated client hurts where neither a muscle nor a stiff joint is to blame (practice default). */
final readonly class Outside
{
    /** By kind: where it may be felt, which movements it hurts in or limits, which grow weak. */
    public const PICTURES = [
        'organ' => [
            ['zones' => ['flank', 'low_back', 'mid_back'], 'moves' => [], 'weak' => []],
            ['zones' => ['shoulder_blade', 'ribs_side', 'abdomen_upper'], 'moves' => [], 'weak' => []],
            ['zones' => ['chest_upper', 'arm_inner', 'jaw_angle'], 'moves' => [], 'weak' => []],
            ['zones' => ['mid_back', 'interscapular', 'abdomen_upper'], 'moves' => [], 'weak' => []],
            ['zones' => ['sacrum', 'groin', 'abdomen_lower'], 'moves' => [], 'weak' => []],
        ],
        'root' => [
            [
                'zones' => ['neck_back', 'forearm_outer', 'thumb'], 'moves' => ['cervical.rotation', 'cervical.extension'],
                'weak' => ['elbow.flexion', 'wrist.extension'],
            ],
            [
                'zones' => ['shoulder_blade', 'arm_back', 'fingers_index_middle'], 'moves' => ['cervical.rotation', 'cervical.extension'],
                'weak' => ['elbow.extension'],
            ],
            [
                'zones' => ['buttock', 'leg_outer', 'big_toe'], 'moves' => ['trunk.flexion', 'hip.straight_leg_raise'],
                'weak' => ['toe.big_extension', 'ankle.dorsiflexion_knee_bent'],
            ],
            [
                'zones' => ['thigh_back', 'calf_upper', 'heel'], 'moves' => ['trunk.flexion', 'hip.straight_leg_raise'],
                'weak' => ['ankle.plantarflexion'],
            ],
        ],
        'joint_end' => [
            [
                'zones' => ['groin', 'thigh_front', 'hip_outer'],
                'moves' => ['hip.internal_rotation', 'hip.flexion', 'hip.external_rotation'],
                'weak' => [],
            ],
            [
                'zones' => ['shoulder_outer', 'arm_outer', 'shoulder_front'],
                'moves' => ['shoulder.external_rotation', 'shoulder.abduction', 'shoulder.internal_rotation'], 'weak' => [],
            ],
            ['zones' => ['knee_front', 'knee_inner', 'knee_back'], 'moves' => ['knee.flexion', 'knee.extension'], 'weak' => []],
            ['zones' => ['wrist_back', 'hand_back', 'wrist_front'], 'moves' => ['wrist.extension', 'wrist.flexion'], 'weak' => []],
            ['zones' => ['big_toe', 'foot_top', 'sole'], 'moves' => ['toe.big_extension'], 'weak' => []],
        ],
    ];

    /**
     * @param  'organ'|'root'|'joint_end'  $kind
     * @param  list<string>  $zones
     * @param  list<string>  $moves
     * @param  list<string>  $weak
     */
    public function __construct(public string $kind, public Side $side, public array $zones, public array $moves, public array $weak)
    {
    }

    /** Whether that movement of that side is one it shows in. */
    public function showsIn(string $movement, Side $side): bool
    {
        return in_array($movement, $this->moves, true) && in_array($side, [$this->side, Side::Midline], true);
    }

    public function weakens(string $movement, Side $side): bool
    {
        return in_array($movement, $this->weak, true) && $side === $this->side;
    }
}
