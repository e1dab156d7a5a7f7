<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Technician;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;

abstract class Controller
{
    protected function technician(Request $request): Technician
    {
        $technician = $request->user();

        return $technician instanceof Technician ? $technician : throw new AuthenticationException();
    }
}
