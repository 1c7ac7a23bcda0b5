<?php

declare(strict_types=1);

namespace Somatrace\Core\Handwork;

/** What a muscle or tendon is found like today: it decides what its work is made of. The first that fits holds. */
enum Situation: string
{
    case Acute = 'acute';
    case Spasm = 'spasm';
    case FirstDelicate = 'first_delicate';
    case TendonEarly = 'tendon_early';
    case TendonAcross = 'tendon_across';
    case TendonPinned = 'tendon_pinned';
    case TendonBroad = 'tendon_broad';
    case First = 'first';
    case Overstretched = 'overstretched';
    case Strained = 'strained';
    case Stuck = 'stuck';
    case Point = 'point';
    case Taut = 'taut';
}
