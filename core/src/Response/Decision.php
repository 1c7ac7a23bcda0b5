<?php

declare(strict_types=1);

namespace Somatrace\Core\Response;

enum Decision: string
{
    case Progress = 'progress';
    case Hold = 'hold';
    case Regress = 'regress';
    case Retire = 'retire';
    case Rethink = 'rethink';
}
