Console.WriteLine("x");
