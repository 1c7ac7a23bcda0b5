<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Pages\WhatIfPage;
use App\Http\Requests\WhatIfRequest;
use App\Models\Visit;
use Illuminate\Http\JsonResponse;
use Somatrace\Core\Anatomy\Side;

final readonly class WhatIfController
{
    public function show(WhatIfRequest $request, Visit $visit, WhatIfPage $page): JsonResponse
    {
        return response()->json($page->of(
            $visit, (string) $request->string('kind'), (string) $request->string('id'), Side::from((string) $request->string('side')),
        ));
    }
}
