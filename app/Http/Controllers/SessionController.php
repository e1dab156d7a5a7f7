<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Access\Staff;
use App\Http\Middleware\EndsInTime;
use App\Http\Resources\SessionResource;
use App\Models\Technician;
use App\Security\SignIn;
use App\Time\Clock;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

final class SessionController extends Controller
{
    public function __construct(
        private readonly Clock $clock,
        private readonly Staff $staff,
        private readonly StatefulGuard $guard,
    ) {
    }

    public function show(): JsonResponse
    {
        $user = $this->guard->user();

        return $this->answer($user instanceof Technician ? $user : null);
    }

    public function store(Request $request, SignIn $signIn): JsonResponse
    {
        /** @var array{signIn: string, password: string, code?: ?string} $given */
        $given = $request->validate([
            'signIn' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
            'code' => ['nullable', 'string', 'max:20'],
        ], ['signIn.required' => 'Enter your sign-in name.', 'password.required' => 'Enter your password.']);
        $technician = $signIn->check(
            $given['signIn'],
            $given['password'],
            $given['code'] ?? null,
            (string) $request->ip(),
        );
        $request->session()->regenerate(true);
        $request->session()->put(EndsInTime::SINCE, time());
        $this->guard->login($technician);

        return $this->answer($technician);
    }

    /** How times, days and numbers are said to whoever is signed in. */
    public function manner(Request $request): JsonResponse
    {
        /** @var array{clock: string, days: string, numbers: string} $given */
        $given = $request->validate([
            'clock' => ['required', 'in:24,12'],
            'days' => ['required', 'in:dayFirst,monthFirst,yearFirst'],
            'numbers' => ['required', 'in:comma,space,dot'],
        ]);
        $technician = $this->technician($request);
        $technician->forceFill($given)->save();

        return $this->answer($technician);
    }

    public function destroy(Request $request): Response
    {
        $this->guard->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new Response(status: 204);
    }

    private function answer(?Technician $technician): JsonResponse
    {
        $mayTakeOn = $technician !== null && $this->staff->mayTakeOn($technician);

        return new JsonResponse(SessionResource::of($technician, $this->clock, $mayTakeOn));
    }
}
