<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\House\House;
use App\Models\Technician;
use App\Security\Passwords;
use App\Security\PasswordStrength;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\ValidationException;

/** One's own password: changed by who knows it, set anew by letter by who forgot it. */
final class PasswordController extends Controller
{
    public function __construct(private readonly Passwords $passwords, private readonly House $house)
    {
    }

    public function update(Request $request): Response
    {
        $technician = $this->technician($request);
        /** @var array{password: string, newPassword: string} $given */
        $given = $request->validate([
            'password' => ['required', 'string', 'max:200'],
            'newPassword' => ['required', 'string', $this->strength($technician)],
        ], ['password.required' => 'Enter your password.', 'newPassword.required' => 'Choose a password.']);
        if (! $this->passwords->isOf($technician, $given['password'])) {
            throw ValidationException::withMessages(['password' => 'This is not your password.']);
        }
        $request->session()->regenerate(true);
        $this->passwords->set($technician, $given['newPassword'], $request->session()->getId());

        return new Response(status: 204);
    }

    /** A letter to who forgot it. The answer does not say whether anybody signs in so. */
    public function send(Request $request): JsonResponse
    {
        /** @var array{signIn: string} $given */
        $given = $request->validate(['signIn' => ['required', 'string', 'max:200']], [
            'signIn.required' => 'Enter your sign-in name.',
        ]);
        $passwords = $this->passwords;
        // After the answer: how long a letter takes would say that there is somebody.
        $isSent = false;
        app()->terminating(static function () use ($passwords, $given, &$isSent): void {
            // Once, also where one process answers more than one request.
            if (! $isSent) {
                $isSent = true;
                $passwords->sendLetter($given['signIn']);
            }
        });

        return new JsonResponse(['openMinutes' => 60], 202);
    }

    public function reset(Request $request): Response
    {
        /** @var array{code: string} $given */
        $given = $request->validate(['code' => ['required', 'string', 'max:100']]);
        $technician = $this->passwords->whose($given['code']);
        /** @var array{password: string} $chosen */
        $chosen = $request->validate(['password' => ['required', 'string', $this->strength($technician)]], [
            'password.required' => 'Choose a password.',
        ]);
        $this->passwords->set($technician, $chosen['password'], null);

        return new Response(status: 204);
    }

    private function strength(Technician $technician): PasswordStrength
    {
        return new PasswordStrength([$technician->sign_in, $technician->name, $this->house->settings()->reseller]);
    }
}
